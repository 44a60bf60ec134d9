import { describe, expect, test } from '@jest/globals';
import type { OwnMove } from './house';
import { FIRST_HOUSE, parseHouse } from './house';
import { motionOf, newHoldUse, newMoveUse } from './newMove';
import { ownMoveToText, textToOwnMove } from './ownMove';

const OWN: OwnMove = {
  id: 'a',
  name: 'Lantern drop',
  motion: motionOf([newMoveUse('bounce', { unit: 'letter' }), newMoveUse('glint')], 'mirror', {
    hold: [newHoldUse('float')],
    shutterDegrees: 180,
  }),
};
const problems = (text: string): string => {
  try {
    textToOwnMove(text, 'drop.json');
    return '';
  } catch (error) {
    return String(error);
  }
};
const changed = (change: (file: Record<string, unknown>) => void): string => {
  const file: Record<string, unknown> = JSON.parse(ownMoveToText(OWN));
  change(file);
  return JSON.stringify(file);
};

describe('a move that was kept', () => {
  test('goes out as a file and comes in the same', () => {
    const { name, motion } = OWN;
    expect(textToOwnMove(ownMoveToText(OWN), 'drop.json')).toEqual({ name, motion });
    const found = { folder: 'Straps', tags: ['lantern', 'soft'] };
    expect(textToOwnMove(ownMoveToText({ ...OWN, ...found }), 'drop.json')).toEqual({
      name,
      motion,
      ...found,
    });
  });

  test('holds no words of the layer that it was made on', () => {
    expect(Object.keys(JSON.parse(ownMoveToText(OWN))).toSorted()).toEqual([
      'kind',
      'motion',
      'name',
      'version',
    ]);
  });

  test.each([
    ['what is not JSON', 'tune', /drop\.json: needs a move that was exported from Gilder/],
    ['another kind of file', changed((file) => (file.kind = 'song')), /drop\.json, kind/],
    ['a later version', changed((file) => (file.version = 9)), /drop\.json, version/],
    ['a move that is not known', ownMoveToText(OWN).replace('"bounce"', '"vanish"'), /needs one of fade/],
    ['far too long a file', ' '.repeat(280_000_000), /needs a move of at most 1 MB, found "280 MB"/],
    ['100 000 levels of nesting', `${'['.repeat(100_000)}${']'.repeat(100_000)}`, /drop\.json/],
    ['motion that is not whole', changed((file) => (file.motion = {})), /motion/],
  ])('is refused as %s, saying where', (_name, text, message) => {
    expect(problems(text)).toMatch(message);
  });

  test('is part of the house, which refuses a broken one', () => {
    expect(parseHouse({ ...FIRST_HOUSE, moves: [OWN] })).toEqual({ ...FIRST_HOUSE, moves: [OWN] });
    const broken = { ...FIRST_HOUSE, moves: [{ ...OWN, motion: { ...OWN.motion, shutterDegrees: 900 } }] };
    expect(() => parseHouse(broken)).toThrow(/shutterDegrees/);
  });
});
