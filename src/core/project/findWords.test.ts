import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Title } from '../model/project';
import { newTitle } from '../model/project';
import type { Template } from '../model/template';
import type { WordSearch } from './findWords';
import { findWords, replaceWords } from './findWords';

const title = (id: string, values: Title['values'], more: Partial<Title> = {}): Title =>
  newTitle({ id, editionId: 'strap', startFrame: 0, lengthFrames: 100, lane: 0, values, ...more });
const templateOf = (id: string): Template | undefined => ({ strap: tidelineStrap, corner: placeCorner })[id];
const search = (find: string, replaceWith = '', more: Partial<WordSearch> = {}): WordSearch => ({
  find,
  replaceWith,
  matchCase: false,
  wholeWords: false,
  ...more,
});
const found = (titles: readonly Title[], wanted: WordSearch): string[] =>
  findWords(titles, wanted, templateOf).map(({ before, after }) => `${before} > ${after}`);

const TITLES = [
  title('a', { name: 'Ilse Marrow', role: 'Lockkeeper, lock 2' }),
  title('b', { name: 'Teo Vance', role: 'Rower' }),
];

describe('finding words', () => {
  test('in any capitals, or just as they are typed', () => {
    expect(found(TITLES, search('lock', 'Weir'))).toEqual(['Lockkeeper, lock 2 > Weirkeeper, Weir 2']);
    expect(found(TITLES, search('lock', 'weir', { matchCase: true }))).toEqual([
      'Lockkeeper, lock 2 > Lockkeeper, weir 2',
    ]);
  });

  test('whole words only, in any script', () => {
    expect(found(TITLES, search('row', 'x', { wholeWords: true }))).toEqual([]);
    expect(
      found([title('c', { name: 'نور الهلالي', role: '' })], search('نور', 'نوال', { wholeWords: true })),
    ).toEqual(['نور الهلالي > نوال الهلالي']);
  });

  test('marks are only marks, and nothing is found by nothing', () => {
    const marked = [title('c', { name: 'Why? (really)', role: '$1' })];
    expect(found(marked, search('? (', '! ['))).toEqual(['Why? (really) > Why! [really)']);
    expect(found(marked, search('$1', '$&'))).toEqual(['$1 > $&']);
    expect(found(TITLES, search(''))).toEqual([]);
  });

  test('not the sample words of the design, which nobody sees on air; those that go to air by default', () => {
    const bare = [title('d', {}, { editionId: 'corner' })];
    expect(findWords(bare, search('low water', 'high water'), templateOf)).toEqual([]);
    const withDefaults = (id: string): Template | undefined => {
      const template = templateOf(id);
      const fields = template?.fields.map((field) => ({ ...field, defaultWords: 'low water soon' }));
      return template && { ...template, fields: fields ?? [] };
    };
    const [, hit] = findWords(bare, search('low water', 'high water'), withDefaults);
    expect(hit.field.label).toBe('Date or tide');
    const [after] = replaceWords(bare, [hit]);
    expect(Object.values(after.values)).toEqual(['high water soon']);
  });

  test('what one delivery says otherwise is found and replaced there alone', () => {
    const own = title(
      'e',
      { name: 'Noor', role: 'Judge of the boats' },
      { perDelivery: { tall: { leftOut: false, values: { role: 'Judge' }, shift: null } } },
    );
    const hits = findWords([own], search('judge', 'Steward'), templateOf);
    expect(hits.map(({ deliveryId, after }) => [deliveryId, after])).toEqual([
      [null, 'Steward of the boats'],
      ['tall', 'Steward'],
    ]);
    const [after] = replaceWords([own], hits.slice(1));
    expect(after.values.role).toBe('Judge of the boats');
    expect(after.perDelivery.tall.values).toEqual({ role: 'Steward' });
  });

  test('what would be too long for its field says so', () => {
    const [hit] = findWords(TITLES, search('Ilse', 'I'.repeat(60)), templateOf);
    expect(hit.problem).toBe('it takes at most 40 characters');
    expect(findWords(TITLES, search('Ilse', 'Elsa'), templateOf)[0].problem).toBe('');
  });
});

test('replacing leaves nothing to be found, and changes no other title', () => {
  const word = fc.constantFrom('oar', 'Oar', 'weir', 'lock', ' ', 'é', '水');
  const words = fc.array(word, { maxLength: 6 }).map((list) => list.join(''));
  fc.assert(
    fc.property(words, words, fc.constantFrom('oar', '水', 'weir'), (name, role, find) => {
      const titles = [title('a', { name, role }), title('b', { name: 'Teo', role: 'Judge' })];
      const wanted = search(find, '-');
      const after = replaceWords(titles, findWords(titles, wanted, templateOf));
      expect(findWords(after, wanted, templateOf)).toEqual([]);
      expect(after[1]).toBe(titles[1]);
    }),
  );
});
