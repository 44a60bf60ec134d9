import { beforeAll, describe, expect, test } from '@jest/globals';
import { bandedCaptions } from '../../../demo/captionStyles';
import { tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import type { Cue } from '../model/captions';
import { newCue } from '../model/captions';
import { layOutTitle } from '../project/deliver';
import { withCaption } from '../project/captionTemplate';
import type { Template } from '../model/template';
import { parseTemplate } from '../model/templateSchema';
import type { FontLibrary } from '../text/fontLibrary';
import type { CompiledTitle } from '../timeline/compile';
import { standsAbove, wordsCover } from './cuePlace';
import { captionFields, cueTitle } from './cueTitle';
import { PLAIN_CAPTION } from './plainCaption';
import { rewordCue } from '../formats/captions/rewordCue';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const TRACK = { id: 'en', name: 'English', language: 'en', editionId: null };
const cue = (words: string, more: Partial<Cue> = {}): Cue =>
  newCue({ id: 'q', trackId: 'en', startFrame: 0, lengthFrames: 50, words, ...more });

function layOut(one: Cue, template = PLAIN_CAPTION, atTop = false, format = 'wide-1080'): CompiledTitle {
  const title = cueTitle(one, TRACK, template, atTop);
  return layOutTitle(title, template, title.values, FORMATS.get(format), fonts);
}

test('the plain style is a template like any other', () => {
  expect(parseTemplate(PLAIN_CAPTION)).toEqual(PLAIN_CAPTION);
  expect(captionFields(bandedCaptions).speaker?.label).toBe('Speaker');
  expect(captionFields(PLAIN_CAPTION).speaker).toBeNull();
});

describe.each(['wide-1080', 'tall-1080', 'square-1080', 'classic-1080'])('in %s', (format) => {
  const safe = safeArea(FORMATS.get(format), 'titleSafe');

  test('above is as far from the top as below is from the bottom, and both are inside the safe area', () => {
    for (const template of [PLAIN_CAPTION, bandedCaptions]) {
      const words = 'The water came over\nthe wall at four.';
      const below = wordsCover(layOut(cue(words, { speaker: 'Nell' }), template, false, format));
      const above = wordsCover(layOut(cue(words, { speaker: 'Nell' }), template, true, format));
      if (below === null || above === null) throw new Error('no words');
      const [fromBottom, fromTop] = [safe.y + safe.height - (below.y + below.height), above.y - safe.y];
      expect(fromBottom).toBeGreaterThanOrEqual(-0.5);
      expect(Math.abs(fromBottom - fromTop)).toBeLessThan(30);
      expect(above.y + above.height).toBeLessThan(below.y);
    }
  });

  test('words go to the side that they are aligned to', () => {
    const left = wordsCover(layOut(cue('Rain.', { align: 'left' }), PLAIN_CAPTION, false, format));
    const right = wordsCover(layOut(cue('Rain.', { align: 'right' }), PLAIN_CAPTION, false, format));
    expect(left?.x).toBeCloseTo(safe.x, 0);
    expect((right?.x ?? 0) + (right?.width ?? 0)).toBeCloseTo(safe.x + safe.width, 0);
  });
});

test('what a template leaves below it leaves above', () => {
  const higher = {
    ...PLAIN_CAPTION,
    layers: PLAIN_CAPTION.layers.map((layer) => ({ ...layer, place: { ...layer.place, dyU: -90 } })),
    overrides: [
      ...PLAIN_CAPTION.overrides,
      { scope: { kind: 'shape', id: 'tall' }, layerId: 'words', path: 'place.dyU', value: -200 } as const,
    ],
  };
  const moved = (format: string): number => {
    const top = (template: Template): number =>
      wordsCover(layOut(cue('Rain.'), template, true, format))?.y ?? 0;
    return top(higher) - top(PLAIN_CAPTION);
  };
  expect(moved('wide-1080')).toBeCloseTo(90, 3);
  expect(moved('tall-1080')).toBeCloseTo(200, 3);
});

test('italics are set in the italics of the face, colours as they are named, the rest as the style says', () => {
  const title = cueTitle(cue('One <i>two</i> <c.cyan>three</c>'), TRACK, PLAIN_CAPTION, false);
  const [layer] = withCaption(PLAIN_CAPTION, title.caption).layers;
  expect(layer.kind === 'text' && layer.runs).toEqual([
    { text: 'One ' },
    { text: 'two', style: { face: 'hanken-grotesk-italic' } },
    { text: ' ' },
    { text: 'three', style: { fill: '#00ffff' } },
  ]);
  const { texts } = layOut(cue('One <i>two</i> <c.cyan>three</c>'));
  expect(texts).toHaveLength(1);
  // The widths of upright and italic differ, so what is laid out is not the upright.
  const width = (words: string): number => wordsCover(layOut(cue(words)))?.width ?? 0;
  expect(width('<i>fffff</i>')).not.toBeCloseTo(width('fffff'), 3);
  // A caption without marks is the template itself: nothing is laid out twice.
  expect(withCaption(PLAIN_CAPTION, cueTitle(cue('One'), TRACK, PLAIN_CAPTION, false).caption)).toBe(
    PLAIN_CAPTION,
  );
});

describe('standing above', () => {
  const below = { x: 400, y: 900, width: 600, height: 100 };

  test('is decided by the words of titles, unless somebody put the caption somewhere', () => {
    const under = { x: 300, y: 950, width: 300, height: 80 };
    const beside = { x: 0, y: 900, width: 290, height: 100 };
    expect(standsAbove({ place: 'auto' }, below, [under])).toBe(true);
    expect(standsAbove({ place: 'auto' }, below, [beside])).toBe(false);
    // So near that their panels would touch.
    expect(standsAbove({ place: 'auto' }, below, [{ ...beside, width: 350 }])).toBe(true);
    expect(standsAbove({ place: 'bottom' }, below, [under])).toBe(false);
    expect(standsAbove({ place: 'top' }, below, [])).toBe(true);
    expect(standsAbove({ place: 'auto' }, null, [under])).toBe(false);
  });

  test('a strap on the left is kept clear of by a wide caption only', () => {
    const strap = layOutTitle(
      { shift: null },
      tidelineStrap,
      { name: 'Ilse Marrow', role: 'Lockkeeper' },
      FORMATS.get('wide-1080'),
      fonts,
    );
    const cover = wordsCover(strap);
    if (cover === null) throw new Error('no words');
    const wide = wordsCover(layOut(cue('A caption that reaches across most of the picture, and on')));
    const narrow = wordsCover(layOut(cue('No.')));
    expect(standsAbove({ place: 'auto' }, wide, [cover])).toBe(true);
    expect(standsAbove({ place: 'auto' }, narrow, [cover])).toBe(false);
  });
});

test('other words keep the marks of what is the same at both ends', () => {
  expect(rewordCue('<i>Ilse Marow</i> opens.', 'Ilse Marrow opens.')).toBe('<i>Ilse Marrow</i> opens.');
  expect(rewordCue('a <c.red>b</c> c', 'a xyz c')).toBe('a <c.red>xyz</c> c');
  expect(rewordCue('<i>a</i> b', '')).toBe('');
  expect(rewordCue('', 'new')).toBe('new');
  expect(rewordCue('<i>a</i>', 'a')).toBe('<i>a</i>');
});
