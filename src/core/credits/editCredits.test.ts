import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { CreditRow } from '../model/credits';
import { CREDIT_KINDS, MOST_CREDIT_ROWS } from '../model/credits';
import { asKind, insertRows, moveRows, newCreditRow, removeRows, stepRows } from './editCredits';
import { sortKey, sortNames } from './sortCredits';

const role = (id: string, of: string, name: string): CreditRow => ({ id, kind: 'role', role: of, name });
const name = (id: string, words: string): CreditRow => ({ id, kind: 'name', name: words });
const ids = (rows: readonly CreditRow[]): string => rows.map(({ id }) => id).join('');
const ABC = [name('a', 'A'), name('b', 'B'), name('c', 'C'), name('d', 'D')];

describe('editing rows', () => {
  test('rows come in after another, and at the end', () => {
    expect(ids(insertRows(ABC, 'b', [name('x', '')]))).toBe('abxcd');
    expect(ids(insertRows(ABC, null, [name('x', '')]))).toBe('abcdx');
    const full = Array.from({ length: MOST_CREDIT_ROWS - 1 }, (_, i) => name(`${i}`, ''));
    expect(insertRows(full, '3', ABC)).toHaveLength(MOST_CREDIT_ROWS);
  });

  test('rows go to before another, in their order, and a step at a time', () => {
    expect(ids(moveRows(ABC, new Set(['d', 'b']), 'a'))).toBe('bdac');
    expect(ids(moveRows(ABC, new Set(['a']), null))).toBe('bcda');
    expect(ids(stepRows(ABC, new Set(['b']), 1))).toBe('acbd');
    expect(ids(stepRows(ABC, new Set(['b', 'c']), -1))).toBe('bcad');
    expect(ids(stepRows(ABC, new Set(['c']), 1))).toBe('abdc');
    expect(stepRows(ABC, new Set(['a']), -1)).toBe(ABC);
    expect(stepRows(ABC, new Set(['d']), 1)).toBe(ABC);
  });

  test('a role whose first name is taken out goes on with the next', () => {
    const rows = [role('a', 'Camera', 'A'), role('b', '', 'B'), role('c', '', 'C'), role('d', 'Sound', 'D')];
    expect(removeRows(rows, new Set(['a']))[0]).toEqual(role('b', 'Camera', 'B'));
    expect(removeRows(rows, new Set(['a', 'b']))[0]).toEqual(role('c', 'Camera', 'C'));
    expect(removeRows(rows, new Set(['a', 'b', 'c']))).toEqual([role('d', 'Sound', 'D')]);
    expect(removeRows(rows, new Set(['b'])).map((row) => 'role' in row && row.role)).toEqual([
      'Camera',
      '',
      'Sound',
    ]);
  });

  test('words stay whatever a row becomes', () => {
    expect(asKind(role('a', 'Camera', 'Teo'), 'heading')).toMatchObject({
      kind: 'heading',
      name: 'Camera Teo',
    });
    expect(asKind(name('a', 'Teo'), 'role')).toMatchObject({ role: '', name: 'Teo' });
    const pictures: CreditRow = { id: 'a', kind: 'pictures', assets: ['logo'] };
    expect(asKind(pictures, 'beside')).toMatchObject({ asset: 'logo' });
    for (const kind of CREDIT_KINDS) expect(newCreditRow('x', kind).kind).toBe(kind);
  });
});

describe('sorting', () => {
  test('by the family name, in the order of the language', () => {
    const rows = [
      name('1', 'Ode Pell'),
      name('2', 'Bram Österlund'),
      name('3', 'Ilse van der Marrow'),
      name('4', 'Una Zell'),
    ];
    expect(ids(sortNames(rows, 'de'))).toBe('3214');
    // Swedish has Ö after Z.
    expect(ids(sortNames(rows, 'sv'))).toBe('3142');
    expect(sortKey('Ilse van der Marrow')).toBe('Marrow Ilse');
    expect(sortKey('佐藤 花')).toBe('佐藤 花');
  });

  test('roles stay at the head of their names; others stay where they are', () => {
    const rows = [
      role('h', 'Director', 'Una Zell'),
      role('a', 'Camera', 'Teo Vance'),
      role('b', '', 'Ilse Marrow'),
      { id: 't', kind: 'heading', name: 'Thanks' } as const,
      name('x', 'Ode Pell'),
      name('y', 'Mira Gannet'),
    ];
    const sorted = sortNames(rows, 'en');
    expect(ids(sorted)).toBe('hbatyx');
    expect(sorted[1]).toEqual(role('b', 'Camera', 'Ilse Marrow'));
    expect(sorted[2]).toEqual(role('a', '', 'Teo Vance'));
    expect(ids(sortNames(rows, 'en', new Set(['x'])))).toBe('habtyx');
    expect(sortNames(sorted, 'en')).toBe(sorted);
  });

  test('no name and no id is lost', () => {
    const any = fc.array(fc.constantFrom('Teo Vance', 'Ode Pell', 'Ode', ''), { maxLength: 12 });
    fc.assert(
      fc.property(any, fc.boolean(), (list, roles) => {
        const rows = list.map((one, i) =>
          roles ? role(`${i}`, i % 4 === 0 ? 'R' : '', one) : name(`${i}`, one),
        );
        const sorted = sortNames(rows, 'en');
        const facts = (all: readonly CreditRow[]) =>
          all.map((row) => `${row.id} ${'name' in row ? row.name : ''}`).toSorted();
        expect(facts(sorted)).toEqual(facts(rows));
      }),
    );
  });
});
