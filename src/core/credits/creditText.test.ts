import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { CreditRow } from '../model/credits';
import { creditsToText, textToCredits } from './creditText';

/** Rows as kind and words, without ids. */
const read = (text: string): string[] =>
  textToCredits(text).rows.map((row) => {
    if (row.kind === 'role') return `role ${row.role} | ${row.name}`;
    return row.kind === 'gap' ? `gap ${row.lines}` : 'name' in row ? `${row.kind} ${row.name}` : row.kind;
  });

describe('credits from a text', () => {
  test('tabs, dots and colons part a role from its name', () => {
    expect(read('Producer\tMira Stott')).toEqual(['role Producer | Mira Stott']);
    expect(read('Producer ........ Mira Stott')).toEqual(['role Producer | Mira Stott']);
    expect(read('Producer . . . . Mira Stott')).toEqual(['role Producer | Mira Stott']);
    expect(read('Producer … Mira Stott')).toEqual(['role Producer | Mira Stott']);
    expect(read('Producer: Mira Stott')).toEqual(['role Producer | Mira Stott']);
  });

  test('one or two dots, times and initials part nothing', () => {
    expect(read('\nDr. M. Stott')).toEqual(['name Dr. M. Stott']);
    expect(read('\nLow water 14:20')).toEqual(['name Low water 14:20']);
  });

  test('a role on a line of its own is that of the names below, until an empty line', () => {
    expect(read('Cameras:\nTeo Vance\nNoor Halloran\n\nOde Pell')).toEqual([
      'role Cameras | Teo Vance',
      'role  | Noor Halloran',
      'name Ode Pell',
    ]);
  });

  test('a cell left empty goes on with the role above', () => {
    expect(read('Cameras\tTeo Vance\n\tNoor Halloran')).toEqual([
      'role Cameras | Teo Vance',
      'role  | Noor Halloran',
    ]);
  });

  test('the first line of all is a heading, also with an empty line after it', () => {
    expect(read('Lantern Regatta\n\nProducer: Ode Pell\n\nTeo Vance\n\nMira Stott')).toEqual([
      'heading Lantern Regatta',
      'role Producer | Ode Pell',
      'name Teo Vance',
      'name Mira Stott',
    ]);
  });

  test('a line above others is a heading, a long line a paragraph, empty lines more than one a gap', () => {
    const long =
      'Every lantern on the river was carried down by hand and carried home again, and no bird was disturbed.';
    expect(read(`On the water\nTeo Vance\nOde Pell\n\n\n\n${long}`)).toEqual([
      'heading On the water',
      'name Teo Vance',
      'name Ode Pell',
      'gap 2',
      `paragraph ${long}`,
    ]);
    expect(read('# Cameras\nTeo Vance\n> Filmed at the weirs')).toEqual([
      'heading Cameras',
      'name Teo Vance',
      'paragraph Filmed at the weirs',
    ]);
  });

  test('pictures keep what they are, in their order', () => {
    const rows: CreditRow[] = [
      { id: 'a', kind: 'name', name: 'Teo' },
      { id: 'b', kind: 'pictures', assets: ['logo-1', 'logo-2'] },
      { id: 'c', kind: 'beside', asset: 'deck', side: 'right', atSeconds: 4, forSeconds: null },
    ];
    const text = `# New\n${creditsToText(rows)}`;
    expect(textToCredits(text, rows).rows.slice(2)).toEqual([
      { id: 'r3', kind: 'pictures', assets: ['logo-1', 'logo-2'] },
      { id: 'r4', kind: 'beside', asset: 'deck', side: 'right', atSeconds: 4, forSeconds: null },
    ]);
  });

  test('what is more than credits can have is counted', () => {
    const { rows, leftOut } = textToCredits(Array.from({ length: 5003 }, (_, i) => `R${i}\tN`).join('\n'));
    expect([rows.length, leftOut]).toEqual([5000, 3]);
  });

  test('any rows come back from their text as they were', () => {
    const words = fc
      .string({
        unit: fc.constantFrom('a', 'É', 'ن', '山', ' ', '.', ':', '#', '-', '>', '[', '…', '1'),
        maxLength: 12,
      })
      .map((text) => text.trim().replace(/\s+/g, ' '))
      .filter((text) => text !== '');
    const row = fc.oneof(
      words.map((name) => ({ kind: 'heading' as const, name })),
      words.map((name) => ({ kind: 'name' as const, name })),
      words.map((name) => ({ kind: 'paragraph' as const, name })),
      fc.record({ kind: fc.constant('role' as const), role: words, name: words }),
      fc.integer({ min: 1, max: 9 }).map((lines) => ({ kind: 'gap' as const, lines })),
    );
    fc.assert(
      fc.property(fc.array(row, { maxLength: 12 }), (list) => {
        const rows = list.map((one, i) => ({ ...one, id: `r${i + 1}` }) as CreditRow);
        expect(textToCredits(creditsToText(rows)).rows).toEqual(rows);
      }),
      { numRuns: 400 },
    );
  });
});
