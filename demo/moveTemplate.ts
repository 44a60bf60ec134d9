import { motionOf, newMoveUse } from '@/core/model/newMove';
import type { Layer, MoveUse, Template, UnitKind } from '@/core/model/template';
import type { Move } from '@/core/moves/move';
import { barlow, EMPTY, place, text } from './layers';

// The rows that the band scrolls through, and the number that counts.
const WORDS: Readonly<Record<string, string>> = {
  'count-up': '1,250 lanterns',
  leaves: 'Lock 27',
  band: 'Lock gates\nReed beds\nIlse Marrow',
  'depth-blur': 'Ilse Marrow\nLock keeper',
  unfold: 'Ilse Marrow\nLock keeper',
  split: 'Ilse Marrow\nLock keeper',
};

/** A ready move as it suits a title of two words best. */
function suitedUse(move: Move): MoveUse {
  return newMoveUse(move.id, { unit: 'layer' satisfies UnitKind, lengthSeconds: 1, seed: 3, ...move.suits });
}

type Extra = Partial<Layer['motion']>;

/** A template that shows one move on a text, in and out again, each a second long. */
export function moveTemplate(move: Move, more: Extra = {}): Template {
  const reads = WORDS[move.id] ?? 'Ilse Marrow';
  const lines = reads.split('\n').length;
  const lit = ['glint', 'spread', 'unroll'].includes(move.id);
  const words = text({
    id: 'words',
    name: 'Words',
    reads,
    // A light is not seen on white.
    style: barlow(700, lines > 1 ? 210 : 270, lit ? '#8fa9b5' : '#ffffff', { leading: 1.02 }),
    align: 'centre',
    maxWidthShare: 1,
    place: place('centre', { kind: 'frame' }, 'centre'),
    motion: motionOf(suitedUse(move), 'mirror', more),
  });
  return motionSheet(move.label, words);
}

/** A template that is there to show one layer move: a second in, a second of hold, a second out. */
export function motionSheet(name: string, layer: Layer): Template {
  return {
    ...EMPTY,
    name,
    kind: 'opener',
    production: '',
    description: '',
    formats: ['wide-1080'],
    rate: '25',
    backdrop: '#31404a',
    timing: { inSeconds: 1, holdSeconds: 1, outSeconds: 1 },
    layers: [layer],
    fields: [],
  };
}
