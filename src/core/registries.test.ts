import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { SINK_IDS } from '../server/press/sinks';
import { EASES } from './eases';
import { HOLD_MOVES } from './holdMoves';
import { createRegistry } from './kit/registry';
import { FORMATS } from './frame/formats';
import { MOVES } from './moves';
import { OUTPUTS } from './outputs';
import { CHECKS } from './proof/checks';
import { SCENES } from './scenes';
import { FACES } from './faces/faces';

const files = (folder: string, except: readonly string[]): string[] =>
  readdirSync(join(import.meta.dirname, folder))
    .filter((name) => !name.includes('.test.') && !except.includes(name))
    .map((name) => name.replace('.ts', ''))
    .toSorted();
const camel = (id: string): string => id.replace(/-(\w)/g, (_match, letter: string) => letter.toUpperCase());

test('every ease, move and scene in its folder is registered, and the other way round', () => {
  expect(EASES.list.map((one) => one.id).toSorted()).toEqual(files('eases', ['ease.ts', 'index.ts']));
  const moves = ['move.ts', 'part.ts', 'pose.ts', 'index.ts'];
  expect(MOVES.list.map((one) => camel(one.id)).toSorted()).toEqual(files('moves', moves));
  expect(HOLD_MOVES.list.map((one) => one.id).toSorted()).toEqual(
    files('holdMoves', ['holdMove.ts', 'index.ts']),
  );
  expect(SCENES.list.map((one) => camel(one.id)).toSorted()).toEqual(
    files('scenes', ['scene.ts', 'index.ts']),
  );
});

test('every check in its folder is registered', () => {
  expect(CHECKS.list).toHaveLength(files('proof/checks', ['index.ts']).length);
});

test('every output can be written', () => {
  expect(OUTPUTS.list.map((one) => one.id).toSorted()).toEqual(SINK_IDS.toSorted());
});

test('two variants with one id are refused when they are loaded', () => {
  expect(() => createRegistry('ease', [{ id: 'even' }, { id: 'even' }])).toThrow(
    'Two ease share the id "even"',
  );
});

test('an unknown id is refused with the known ones', () => {
  expect(() => FORMATS.get('cinema')).toThrow(/Unknown frame format "cinema"; known are wide-1080/);
});

test('every face has its files and its licence among the shipped ones', () => {
  const shipped = readdirSync(join(import.meta.dirname, '../../public/fonts'));
  for (const face of FACES.list) {
    expect(shipped).toEqual(expect.arrayContaining(Object.values(face.files)));
    expect(shipped).toContain(`${face.id}-LICENSE.txt`);
  }
});
