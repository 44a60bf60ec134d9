import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_TEMPLATES, openingLockup, placeCorner, tidelineStrap } from '../../../demo/templates';
import { heatBoard } from '../../../demo/heatBoard';
import type { Title } from '../model/project';
import { newTitle } from '../model/project';
import type { Template } from '../model/template';
import { sameMeaning, sourcesOf, swapTemplate, swapTitle } from './swap';

const title = (values: Title['values'], kept: Title['kept'] = []): Title =>
  newTitle({ id: 't', editionId: 'strap', startFrame: 0, lengthFrames: 100, lane: 0, values, kept });
const NAMES = { name: 'Ilse Marrow', role: 'Lockkeeper' };
const renamed = (template: Template, from: string, label: string): Template => ({
  ...template,
  fields: template.fields.map((field) => (field.id === from ? { ...field, label } : field)),
});

describe('another template', () => {
  test('gets words by the same name first, then by what stands for the same, then in order', () => {
    expect(swapTemplate(title(NAMES), tidelineStrap, openingLockup).values).toEqual({
      title: 'Ilse Marrow',
      line: 'Lockkeeper',
    });
    const crossed = renamed(renamed(openingLockup, 'title', 'Role'), 'line', 'Name');
    expect(swapTemplate(title(NAMES), tidelineStrap, crossed).values).toEqual({
      title: 'Lockkeeper',
      line: 'Ilse Marrow',
    });
  });

  test('takes a colour only for a colour, and a choice only where it has it', () => {
    const coloured = title({ ...NAMES, 'panel-colour': '#6d2a2c' });
    const { values, kept } = swapTemplate(coloured, tidelineStrap, placeCorner);
    expect(values).toMatchObject({ place: 'Ilse Marrow' });
    expect([...Object.values(values), ...kept.map(({ value }) => value)]).toContain('#6d2a2c');
  });

  test('keeps words without a field, under the name that they had, and puts them back on the way back', () => {
    const short: Template = { ...placeCorner, fields: placeCorner.fields.slice(0, 1) };
    const there = swapTitle(title(NAMES), tidelineStrap, { id: 'corner', document: short });
    expect(there).toMatchObject({
      editionId: 'corner',
      values: { place: 'Ilse Marrow' },
      kept: [{ label: 'Role', value: 'Lockkeeper' }],
    });
    const back = swapTitle(there, short, { id: 'strap', document: tidelineStrap });
    expect(back).toMatchObject({ values: NAMES, kept: [] });
  });

  test('takes the moments of rows along with them', () => {
    const other = renamed(heatBoard, 'boats', 'Order');
    const renumbered = {
      ...other,
      fields: other.fields.map((field) => (field.id === 'boats' ? { ...field, id: 'order' } : field)),
    };
    const moments = { boats: [{ row: 'Heron', seconds: 4 }] };
    const there = swapTitle({ ...title({ boats: 'Heron' }), moments }, heatBoard, {
      id: 'other',
      document: renumbered,
    });
    expect(there).toMatchObject({ values: { order: 'Heron' }, moments: { order: moments.boats } });
    const back = swapTitle(there, renumbered, { id: 'heat', document: heatBoard });
    expect(back).toMatchObject({ values: { boats: 'Heron' }, moments });
  });

  test('can be told what goes where, and that something goes nowhere', () => {
    const chosen = { title: 'role', line: null };
    const swap = swapTemplate(title(NAMES), tidelineStrap, openingLockup, { chosen });
    expect(swap.values).toEqual({ title: 'Lockkeeper' });
    expect(swap.kept).toEqual([{ label: 'Name', value: 'Ilse Marrow' }]);
    // Words are no colour, whoever says so.
    const wrong = swapTemplate(title(NAMES), tidelineStrap, openingLockup, {
      chosen: { 'plate-colour': 'name' },
    });
    expect(wrong.values).toEqual({ title: 'Ilse Marrow', line: 'Lockkeeper' });
  });

  test('never drops or doubles a word, whatever the templates', () => {
    const templates = fc.constantFrom(...DEMO_TEMPLATES);
    const word = fc.string({ minLength: 1, maxLength: 12 }).filter((text) => text.trim() !== '');
    fc.assert(
      fc.property(templates, templates, fc.array(word, { maxLength: 4 }), (from, to, words) => {
        const texts = from.fields.filter(({ kind }) => kind === 'text');
        const values = Object.fromEntries(
          texts.flatMap(({ id }, i) => (words[i] === undefined ? [] : [[id, words[i]]])),
        );
        const swap = swapTemplate(title(values), from, to);
        const after = [...Object.values(swap.values), ...swap.kept.map(({ value }) => value)];
        expect(after.toSorted()).toEqual(Object.values(values).toSorted());
      }),
    );
  });
});

test('however many templates a title goes through, its name and role come back to their fields', () => {
  const through = fc.array(fc.constantFrom(...DEMO_TEMPLATES), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(through, (templates) => {
      let [now, from]: [Title, Template] = [title(NAMES), tidelineStrap];
      for (const [i, document] of [...templates, tidelineStrap].entries()) {
        now = swapTitle(now, from, { id: `e${i}`, document });
        from = document;
      }
      expect(now.values).toEqual(NAMES);
    }),
    { numRuns: 400 },
  );
});

describe('another edition of the same template', () => {
  test('keeps words in their field even where it has another name', () => {
    const next = renamed(renamed(tidelineStrap, 'name', 'Role'), 'role', 'Name');
    expect(swapTemplate(title(NAMES), tidelineStrap, next, { sameTemplate: true }).values).toEqual(NAMES);
  });

  test('keeps the words of a field that is gone with the title', () => {
    const next = { ...tidelineStrap, fields: tidelineStrap.fields.filter(({ id }) => id === 'name') };
    const { values, kept } = swapTemplate(title(NAMES), tidelineStrap, next, { sameTemplate: true });
    expect(values).toEqual({ name: 'Ilse Marrow' });
    expect(kept).toEqual([{ label: 'Role', value: 'Lockkeeper' }]);
  });
});

describe('what one delivery says otherwise', () => {
  const inTall = (values: Title['values']): Title => ({
    ...title(NAMES),
    perDelivery: { tall: { leftOut: false, values, shift: { dxU: 0, dyU: -40 } } },
  });
  const deliveries = [{ id: 'tall', name: 'Tall' }];

  test('goes where the words went that it stands for, and its place stays', () => {
    const there = swapTitle(inTall({ role: 'Judge' }), tidelineStrap, { id: 'up', document: openingLockup });
    expect(there.perDelivery).toEqual({
      tall: { leftOut: false, values: { line: 'Judge' }, shift: { dxU: 0, dyU: -40 } },
    });
    const back = swapTitle(there, openingLockup, { id: 'strap', document: tidelineStrap });
    expect(back.perDelivery.tall.values).toEqual({ role: 'Judge' });
  });

  test('is matched even where only that delivery says anything', () => {
    const only = { ...inTall({ role: 'Judge' }), values: { name: 'Ilse' } };
    const swap = swapTemplate(only, tidelineStrap, openingLockup);
    expect(swap.values).toEqual({ title: 'Ilse' });
    expect(swap.perDelivery.tall.values).toEqual({ line: 'Judge' });
  });

  test('is kept under the name of its delivery when no field takes it', () => {
    const short: Template = { ...placeCorner, fields: placeCorner.fields.slice(0, 1) };
    const swap = swapTemplate(inTall({ role: 'Judge' }), tidelineStrap, short, { deliveries });
    expect(swap.perDelivery.tall).toMatchObject({ values: {}, shift: { dxU: 0, dyU: -40 } });
    expect(swap.kept).toEqual([
      { label: 'Role', value: 'Lockkeeper' },
      { label: 'Role in Tall', value: 'Judge' },
    ]);
  });

  test('is no longer otherwise when it said nothing but that', () => {
    const short: Template = { ...placeCorner, fields: [] };
    const plain = {
      ...title(NAMES),
      perDelivery: { tall: { leftOut: false, values: { role: ' ' }, shift: null } },
    };
    expect(swapTemplate(plain, tidelineStrap, short).perDelivery).toEqual({});
  });
});

test('what a title has comes in the order of its card, kept words last', () => {
  const all = sourcesOf(
    title({ role: 'Pilot', name: 'Noor' }, [{ label: 'Motto', value: 'Steady' }]),
    tidelineStrap,
  );
  expect(all.map(({ label, value }) => `${label} ${value}`)).toEqual([
    'Name Noor',
    'Role Pilot',
    'Motto Steady',
  ]);
});

test('words that another template got are called as they were typed, until somebody types others', () => {
  const cameAs = { role: { label: 'Motto', value: 'Steady' } };
  const called = (role: string): string[] =>
    sourcesOf({ ...title({ role }), cameAs }, tidelineStrap).map(({ label }) => label);
  expect(called('Steady')).toEqual(['Motto']);
  expect(called('Pilot')).toEqual(['Role']);
});

test('names mean the same with other capitals and marks, and by the trade’s other words', () => {
  expect(sameMeaning('Place name', 'place-name')).toBe(true);
  expect(sameMeaning('Headline', 'Title')).toBe(true);
  expect(sameMeaning('Headline', 'Role')).toBe(false);
});
