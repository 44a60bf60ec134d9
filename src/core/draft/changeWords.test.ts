import { describe, expect, test } from '@jest/globals';
import { changeBetween } from './change';
import type { DocumentWords } from './changeWords';
import { sayChange } from './changeWords';

const WORDS: DocumentWords = {
  lists: {
    boats: {
      one: 'boat',
      many: 'boats',
      nameOf: ({ name }) => String(name ?? ''),
      partOf: (_thing, paths) => (paths.every((path) => path.startsWith('sail.')) ? 'Sails' : 'Settings'),
    },
    crews: { one: 'crew', many: 'crews', nameOf: () => '', partOf: () => 'Crew' },
  },
  parts: { title: 'Title', date: 'Date' },
};

const heron = { id: 'h', name: 'Heron', sail: { colour: 'red', u: 4 } };
const gudgeon = { id: 'g', name: 'Quiet Gudgeon', sail: { colour: 'blue', u: 6 } };
const start = { title: 'Regatta', date: '', boats: [heron, gudgeon], crews: [{ id: 'c', size: 4 }] };

function said(after: object, document: object = after): string {
  const change = changeBetween(start, after);
  if (change === null) throw new Error('nothing was changed');
  return sayChange(change, document, WORDS);
}

describe('a step in a few words', () => {
  test('says what came and what went, whatever else came of it', () => {
    const ode = { id: 'o', name: 'Ode', sail: { colour: 'green', u: 1 } };
    expect(said({ ...start, title: 'New', boats: [ode, ...start.boats] })).toBe('Added “Ode”');
    expect(said({ ...start, boats: [heron], crews: [{ id: 'c', size: 5 }] })).toBe('Removed “Quiet Gudgeon”');
    expect(said({ ...start, boats: [] })).toBe('Removed 2 boats');
  });

  test('says what is otherwise of which thing', () => {
    const red = { ...gudgeon, sail: { colour: 'red', u: 9 } };
    expect(said({ ...start, boats: [heron, red] })).toBe('Sails of “Quiet Gudgeon”');
    const named = { ...heron, name: 'Marsh heron of the upper weirs and the lower' };
    expect(said({ ...start, boats: [named, gudgeon] })).toBe('Settings of “Marsh heron of the upper we…”');
    const both = start.boats.map((boat) => ({ ...boat, sail: { ...boat.sail, u: 1 } }));
    expect(said({ ...start, boats: both })).toBe('Sails of 2 boats');
    expect(said({ ...start, crews: [{ id: 'c', size: 5 }] })).toBe('Crew of a crew');
  });

  test('says that only the order is another', () => {
    expect(said({ ...start, boats: [gudgeon, heron] })).toBe('Order of boats');
  });

  test('says what of the document itself is otherwise', () => {
    expect(said({ ...start, title: 'Race', date: '2026-08-01' })).toBe('Title, Date');
  });

  test('a thing that is gone by now is still told', () => {
    const red = { ...gudgeon, sail: { colour: 'red', u: 9 } };
    expect(said({ ...start, boats: [heron, red] }, { ...start, boats: [heron] })).toBe('Sails of a boat');
  });

  test('a part that nobody named is said all the same', () => {
    expect(said({ ...start, weather: 'fair' })).toBe('Settings');
  });
});
