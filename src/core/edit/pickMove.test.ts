import { describe, expect, test } from '@jest/globals';
import { newMoveUse } from '../model/newMove';
import { newGroupLayer, newPictureLayer } from '../model/newLayers';
import type { Layer } from '../model/template';
import { MOVES } from '../moves';
import { paramReader } from '../moves/move';
import { compilePart } from '../moves/part';
import { testBox, testText } from '../testing';
import { movesFor, pickMove } from './pickMove';

const offered = (layer: Layer): string[] => movesFor(layer).map(({ id }) => id);

describe('the moves that are offered', () => {
  test('are those that do something: letters for words, outlines where there are some, counting for figures', () => {
    const words = offered(testText('a', 'Ilse Marrow'));
    expect(words).toEqual(expect.arrayContaining(['typing', 'settle', 'draw', 'glint', 'fold']));
    expect(words).not.toContain('count-up');
    expect(offered(testText('a', '1,250 lanterns'))).toContain('count-up');
    expect(offered(testText('a', 'مصباح ١٢'))).toContain('count-up');
    expect(offered(testBox('b'))).toContain('draw');
    for (const layer of [newPictureLayer('p', 'P', 'x'), newGroupLayer('g', 'G', [])]) {
      expect(offered(layer)).toEqual(expect.arrayContaining(['glint', 'colour-pass', 'fold']));
      for (const id of ['typing', 'settle', 'draw', 'count-up']) expect(offered(layer)).not.toContain(id);
    }
  });
});

describe('a move that is picked', () => {
  const words = testText('a', 'Ilse Marrow');
  const picked = (layer: Layer, id: string) => pickMove(layer, newMoveUse(id, { lengthSeconds: 1.2 }), id);

  test('has a length for each of its units, which suits those and that move', () => {
    expect(picked(words, 'turn')).toMatchObject({ unit: 'letter', unitSeconds: 0.45, lengthSeconds: 1.2 });
    expect(picked(words, 'typing')).toMatchObject({ unit: 'letter', unitSeconds: 0.07 });
    expect(picked(words, 'rise')).toMatchObject({ unit: 'word', unitSeconds: 0.5 });
  });

  test('as a way out has what suits one: what spreads as it comes in spreads as it goes too', () => {
    const way = (column: 'in' | 'out') => pickMove(words, newMoveUse('fade'), 'spread', column);
    expect([way('in').params.from, way('out').params.from]).toEqual(['middle', 'apart']);
    expect(pickMove(words, newMoveUse('fade'), 'wipe', 'out')).toEqual(
      pickMove(words, newMoveUse('fade'), 'wipe', 'in'),
    );
    // The last letter of a line, 40 to the right of its middle at rest.
    const rect = { x: 0, y: 0, width: 100, height: 20 };
    const place = {
      ...{ box: { ...rect, x: 80, width: 20 }, line: rect, layer: rect, frame: rect, lastLine: rect },
      ...{ index: 4, count: 5, all: [], slice: 0, slices: 1, chance: () => 0 },
    };
    const move = MOVES.get('spread');
    const farthest = (column: 'in' | 'out'): number => {
      const { parts } = move.plan(place, paramReader(move, way(column).params));
      const across = parts.find(({ property }) => property === 'xU');
      if (across === undefined) throw new Error('it does not go across');
      return compilePart(across, 'even')(0);
    };
    expect(farthest('in')).toBeCloseTo(-38.4);
    expect(farthest('out')).toBeCloseTo(28);
  });

  test('has none where all go together or the whole layer does', () => {
    expect(picked(words, 'bend')).toMatchObject({ unit: 'letter', overlap: 1, unitSeconds: null });
    expect(picked(words, 'fade')).toMatchObject({ unit: 'layer', unitSeconds: null });
    expect(picked(testBox('b'), 'turn')).toMatchObject({ unit: 'layer', unitSeconds: null });
  });
});
