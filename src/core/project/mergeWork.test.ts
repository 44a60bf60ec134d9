import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newPlan } from '../model/plan';
import type { DeliveryChange, Title } from '../model/project';
import { newTitle } from '../model/project';
import { withDeliveryChange } from './deliver';
import { mergePlan, mergeTitle } from './mergeWork';
import { parseCell, withCellValue } from './titleCells';

const BASE = newTitle({
  id: 't',
  editionId: 'e',
  startFrame: 10,
  lengthFrames: 50,
  lane: 0,
  values: { name: 'Ilse', role: 'Judge' },
});
const changed = (change: Partial<Title>): Title => ({ ...BASE, ...change });

describe('two desks on one title', () => {
  test('each keeps what it changed', () => {
    const mine = changed({ startFrame: 99, values: { name: 'Ilse Marrow', role: 'Judge' } });
    const theirs = changed({ lengthFrames: 70, values: { name: 'Ilse', role: 'Lockkeeper', side: 'left' } });
    expect(mergeTitle(BASE, mine, theirs)).toEqual({
      title: changed({
        startFrame: 99,
        lengthFrames: 70,
        values: { name: 'Ilse Marrow', role: 'Lockkeeper', side: 'left' },
      }),
      conflicts: [],
    });
  });

  test('the same cell changed twice is a conflict that names it and has both values', () => {
    const merged = mergeTitle(
      BASE,
      changed({ values: { name: 'A', role: 'Judge' } }),
      changed({ values: { name: 'B', role: 'Judge' } }),
    );
    expect(merged.title.values.name).toBe('A');
    expect(merged.conflicts).toEqual([{ titleId: 't', cell: 'values.name', mine: 'A', theirs: 'B' }]);
    expect(withCellValue(merged.title, 'values.name', 'B').values).toEqual({ name: 'B', role: 'Judge' });
    expect(withCellValue(merged.title, 'values.name', undefined).values).toEqual({ role: 'Judge' });
    expect(withCellValue(merged.title, 'startFrame', 3).startFrame).toBe(3);
  });

  test('the same change twice is none', () => {
    const both = changed({ values: { name: 'A', role: 'Judge' }, shift: { dxU: 1, dyU: 2 } });
    expect(mergeTitle(BASE, both, structuredClone(both)).conflicts).toEqual([]);
  });

  test('what either has otherwise in a delivery is a cell of its own', () => {
    const tall = (change: Partial<DeliveryChange>): Title => withDeliveryChange(BASE, 'tall', change);
    const merged = mergeTitle(BASE, tall({ values: { role: 'J' } }), tall({ leftOut: true }));
    expect(merged).toEqual({ title: tall({ values: { role: 'J' }, leftOut: true }), conflicts: [] });
    const both = mergeTitle(BASE, tall({ values: { role: 'J' } }), tall({ values: { role: 'K' } }));
    const cell = 'perDelivery.tall.values.role';
    expect(both.conflicts).toEqual([{ titleId: 't', cell, mine: 'J', theirs: 'K' }]);
    expect(withCellValue(both.title, cell, 'K')).toEqual(tall({ values: { role: 'K' } }));
    expect(withCellValue(both.title, cell, undefined)).toEqual(BASE);
  });

  test('what only one side changed always wins, and what neither changed stays', () => {
    const values = fc.dictionary(fc.constantFrom('name', 'role', 'side'), fc.constantFrom('x', 'y', 'z'));
    const sides = fc.record({ values, startFrame: fc.nat(9), inTall: values, leftOut: fc.boolean() });
    const made = ({
      inTall,
      leftOut,
      ...own
    }: typeof sides extends fc.Arbitrary<infer T> ? T : never): Title =>
      withDeliveryChange(changed(own), 'tall', { values: inTall, leftOut });
    fc.assert(
      fc.property(sides, sides, (here, there) => {
        const mine = made(here);
        const theirs = made(there);
        const { title, conflicts } = mergeTitle(BASE, mine, theirs);
        expect(mergeTitle(BASE, mine, BASE).title).toEqual(mine);
        expect(mergeTitle(BASE, BASE, theirs).title).toEqual(theirs);
        const settled = conflicts.reduce((now, one) => withCellValue(now, one.cell, one.theirs), title);
        const other = mergeTitle(BASE, theirs, mine);
        // Settled for the other side, it is what that side would have made of it.
        expect(settled).toEqual(other.title);
        expect(other.conflicts.length).toBe(conflicts.length);
      }),
    );
  });
});

test('cells are read by their names', () => {
  expect(parseCell('startFrame')).toEqual({ of: 'title', key: 'startFrame' });
  expect(parseCell('values.a.b')).toEqual({ of: 'value', fieldId: 'a.b' });
  expect(parseCell('perDelivery.tall.values.a.b')).toEqual({
    of: 'deliveryValue',
    deliveryId: 'tall',
    fieldId: 'a.b',
  });
  expect(parseCell('perDelivery.tall.shift')).toEqual({ of: 'delivery', deliveryId: 'tall', key: 'shift' });
});

test('two plans keep the words, markers and deliveries that either added', () => {
  const base = newPlan('wide-1080');
  const mine = { ...base, words: ['ketch'], setAside: [{ key: 'cuts t', reason: 'meant' }] };
  const theirs = { ...base, words: ['yawl'], markers: [{ id: 'm', frame: 5, name: 'Go' }] };
  expect(mergePlan(base, mine, theirs)).toEqual({
    ...theirs,
    words: ['ketch', 'yawl'],
    setAside: mine.setAside,
  });
});

test('a plan’s language and clock are those of the desk that changed them, this one’s where both did', () => {
  const base = { ...newPlan('wide-1080'), language: 'en' };
  const clock = { mode: 'non-drop', startFrame: 90_000 } as const;
  const theirs = { ...base, clock, words: ['yawl'] };
  const mine = { ...base, language: 'tr' };
  expect(mergePlan(base, mine, theirs)).toEqual({ ...theirs, language: 'tr' });
  const later = { ...clock, startFrame: 1 };
  expect(mergePlan(base, { ...mine, clock: later }, theirs).clock).toEqual(later);
  expect(mergePlan(theirs, { ...base, words: ['yawl'] }, { ...theirs, language: 'de' })).not.toHaveProperty(
    'clock',
  );
});
