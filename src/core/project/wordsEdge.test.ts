import { expect, test } from '@jest/globals';
import { testBox, testTemplate, testText } from '../testing';
import { withWordsEdge } from './wordsEdge';

const words = testText('words', 'Osier');
const line = testBox('line', { fill: '#e3b94f', height: { kind: 'fixed', u: 2 } });
const panel = testBox('panel', { height: { kind: 'fixed', u: 90 } });
const template = testTemplate([words, line, panel]);
const looks = (edge: Parameters<typeof withWordsEdge>[1]): (readonly [number, number])[] =>
  withWordsEdge(template, edge).layers.map((layer) =>
    'look' in layer ? [layer.look.outlines.length, layer.look.shadows.length] : [0, 0],
  );

test('no edge leaves the template as it is', () => {
  expect(withWordsEdge(template, null)).toBe(template);
  expect(withWordsEdge(template, undefined)).toBe(template);
});

test('a hard edge is an outline of the words alone, a soft one a shadow that falls nowhere', () => {
  const plain = words.look.shadows.length;
  expect(looks({ colour: '#000000', widthU: 6, softU: 0 })).toEqual([
    [1, plain],
    [0, 0],
    [0, 0],
  ]);
  expect(looks({ colour: '#000000', widthU: 6, softU: 12 })).toEqual([
    [0, plain + 1],
    [0, 0],
    [0, 0],
  ]);
  const [soft] = withWordsEdge(template, { colour: '#000000', widthU: 6, softU: 12 }).layers;
  expect('look' in soft && soft.look.shadows.at(-1)).toMatchObject({
    distanceU: 0,
    spreadU: 6,
    softnessU: 12,
  });
});

test('one in the words’ own colour thickens words and thin lines, each in its colour, and no panel', () => {
  const { layers } = withWordsEdge(template, { colour: 'own', widthU: 0.5, softU: 0 });
  expect(
    layers.map((layer) => ('look' in layer ? layer.look.outlines.map(({ colour }) => colour) : [])),
  ).toEqual([[words.style.fill], ['#e3b94f'], []]);
});

test('the same edge gives the same object, another one another', () => {
  const edge = { colour: '#000000', widthU: 6, softU: 0 };
  expect(withWordsEdge(template, { ...edge })).toBe(withWordsEdge(template, edge));
  expect(withWordsEdge(template, { ...edge, widthU: 7 })).not.toBe(withWordsEdge(template, edge));
});
