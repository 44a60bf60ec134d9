import { expect, test } from '@jest/globals';
import { motionOf, newMoveUse } from '../model/newMove';
import { parseTemplate } from '../model/templateSchema';
import { testBox, testTemplate, testText } from '../testing';
import { addMark, moveMark, nameMark, namedMarks, removeMark, waitingFor } from './marks';

const DESIGN = { inSeconds: 2, holdSeconds: 4, outSeconds: 1 };
const start = testTemplate([testBox('panel')], { timing: DESIGN });

test('a name stays with its mark wherever that goes, and goes with it', () => {
  const three = [1, 0.5, 2].reduce(addMark, start);
  const named = nameMark(nameMark(three, 0, 'Osier'), 2, 'Harbour');
  expect(namedMarks(named)).toEqual([
    { seconds: 0.5, name: 'Osier' },
    { seconds: 1, name: '' },
    { seconds: 2, name: 'Harbour' },
  ]);
  const moved = moveMark(named, 0, 1.5);
  expect(namedMarks(moved).map(({ name }) => name)).toEqual(['', 'Osier', 'Harbour']);
  expect(namedMarks(removeMark(moved, 0)).map(({ name }) => name)).toEqual(['Osier', 'Harbour']);
  expect(namedMarks(addMark(moved, 1.7)).map(({ name }) => name)).toEqual(['', 'Osier', '', 'Harbour']);
  expect(parseTemplate(JSON.parse(JSON.stringify(named))).markNames).toEqual(['Osier', '', 'Harbour']);
});

test('marks without names have no list of them', () => {
  const named = nameMark(addMark(start, 1), 0, 'Osier');
  expect('markNames' in nameMark(named, 0, '')).toBe(false);
  expect('markNames' in removeMark(named, 0)).toBe(false);
});

test('what waits for a mark is the layer that asks for it, or one part of a layer each', () => {
  const waits = newMoveUse('fade', { waits: true });
  const template = testTemplate(
    [
      testBox('panel', { motion: motionOf({ ...waits, order: 'custom', ranks: [1] }, null) }),
      testText('name', 'Ilse Marrow', { motion: motionOf({ ...waits, unit: 'word' }, null) }),
      testBox('plain', { motion: motionOf(newMoveUse('fade'), null) }),
    ],
    { timing: DESIGN, marks: [0.5, 1] },
  );
  expect(waitingFor(template, 0)).toEqual([{ layerName: 'name', unit: 'word' }]);
  expect(waitingFor(template, 1)).toEqual([
    { layerName: 'panel', unit: 'layer' },
    { layerName: 'name', unit: 'word' },
  ]);
});
