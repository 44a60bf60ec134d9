import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChange, changeBetween } from './change';
import { History } from './history';

interface Entry {
  readonly id: string;
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
}

interface Document {
  readonly title: string;
  readonly words: readonly string[];
  readonly list: readonly Entry[];
}

const entry = (id: string, name = id, values: Entry['values'] = {}): Entry => ({ id, name, values });
const base: Document = { title: 'T', words: ['a'], list: [entry('1'), entry('2'), entry('3')] };
const edit = (document: Document, id: string, change: Partial<Entry>): Document => ({
  ...document,
  list: document.list.map((one) => (one.id === id ? { ...one, ...change } : one)),
});
const ids = ({ list }: Document): string => list.map(({ id }) => id).join('');

const key = fc.constantFrom('x', 'y', 'z');
const documents: fc.Arbitrary<Document> = fc.record({
  title: fc.string({ maxLength: 3 }),
  words: fc.array(fc.string({ maxLength: 2 }), { maxLength: 3 }),
  list: fc.uniqueArray(
    fc.record({
      id: fc.constantFrom('1', '2', '3', '4', '5', '6'),
      name: fc.string({ maxLength: 2 }),
      values: fc.dictionary(key, fc.string({ maxLength: 2 }), { maxKeys: 3 }),
    }),
    { selector: ({ id }) => id, maxLength: 6 },
  ),
});

describe('a change', () => {
  test('makes the later state of the earlier, and the earlier of the later', () => {
    fc.assert(
      fc.property(documents, documents, (before, after) => {
        const change = changeBetween(before, after);
        if (change === null) return expect(after).toEqual(before);
        expect(applyChange(before, change, 'forth')).toEqual(after);
        expect(applyChange(after, change, 'back')).toEqual(before);
      }),
    );
  });

  test('holds only what differs', () => {
    expect(changeBetween(base, edit(base, '2', { name: 'Teo' }))).toEqual({
      kind: 'parts',
      parts: {
        list: {
          kind: 'entries',
          order: null,
          entries: [
            { id: '2', change: { kind: 'parts', parts: { name: { kind: 'value', from: '2', to: 'Teo' } } } },
          ],
        },
      },
    });
    expect(changeBetween(base, { ...base, list: [...base.list] })).toBeNull();
  });

  test('leaves alone what somebody else changed beside it, down to one value', () => {
    const mine = edit(base, '2', { values: { x: 'mine' } });
    const change = changeBetween(base, mine);
    if (change === null) throw new Error('no change');
    const both = edit(edit(mine, '2', { values: { x: 'mine', y: 'theirs' } }), '1', { name: 'Noor' });
    const back = applyChange(both, change, 'back');
    expect(back.list[1].values).toEqual({ y: 'theirs' });
    expect(back.list[0].name).toBe('Noor');
  });

  test('brings back what was taken away, where it stood, and changes nothing that is gone elsewhere', () => {
    const without = { ...base, list: base.list.filter(({ id }) => id !== '2') };
    const removal = changeBetween(base, without);
    const renaming = changeBetween(base, edit(base, '2', { name: 'Teo' }));
    if (removal === null || renaming === null) throw new Error('no change');
    const more = { ...without, list: [...without.list, entry('9')] };
    expect(ids(applyChange(more, removal, 'back'))).toBe('1239');
    expect(applyChange(more, renaming, 'forth')).toEqual(more);
  });

  test('an order is taken back without losing what came meanwhile', () => {
    const turned = { ...base, list: [...base.list].reverse() };
    const change = changeBetween(base, turned);
    if (change === null) throw new Error('no change');
    const more = { ...turned, list: [turned.list[0], entry('9'), ...turned.list.slice(1)] };
    expect(ids(applyChange(more, change, 'back'))).toBe('1239');
  });
});

describe('a history', () => {
  test('takes back and makes again, step by step, whatever the steps are', () => {
    fc.assert(
      fc.property(fc.array(documents, { minLength: 2, maxLength: 8 }), (states) => {
        const history = new History<Document>();
        states.slice(1).forEach((state, i) => history.record(states[i], state, false));
        let now = states[states.length - 1];
        for (let back = history.undo(now); back !== null; back = history.undo(now)) now = back;
        expect(now).toEqual(states[0]);
        for (let forth = history.redo(now); forth !== null; forth = history.redo(now)) now = forth;
        expect(now).toEqual(states[states.length - 1]);
      }),
    );
  });

  test('makes one step of what goes on, and none of what comes back to where it began', () => {
    const history = new History<Document>();
    const [a, b] = [edit(base, '1', { name: 'A' }), edit(base, '1', { name: 'AB' })];
    history.record(base, a, false);
    history.record(a, b, true);
    expect(history.now.past).toHaveLength(1);
    expect(history.undo(b)).toEqual(base);
    const other = new History<Document>();
    other.record(base, a, false);
    other.record(a, base, true);
    expect(other.now.past).toHaveLength(0);
  });

  test('keeps what others do while a step goes on, and what they did after it', () => {
    const history = new History<Document>();
    const foreign = (document: Document): Document => edit(document, '3', { name: 'Theirs' });
    const a = edit(base, '1', { name: 'A' });
    history.record(base, a, false);
    history.rebase(foreign);
    const b = edit(foreign(a), '1', { name: 'AB' });
    history.record(foreign(a), b, true);
    expect(history.now.past).toHaveLength(1);
    expect(history.undo(b)).toEqual(foreign(base));
  });

  test('a new step ends what could be made again', () => {
    const history = new History<Document>();
    const a = edit(base, '1', { name: 'A' });
    history.record(base, a, false);
    const back = history.undo(a);
    expect(history.now.future).toHaveLength(1);
    history.record(back ?? base, edit(base, '2', { name: 'B' }), false);
    expect(history.now.future).toHaveLength(0);
    expect(history.redo(base)).toBeNull();
  });

  test('goes on from steps that were kept', () => {
    const history = new History<Document>();
    const a = edit(base, '1', { name: 'A' });
    history.record(base, a, false);
    const again = new History<Document>(structuredClone(history.now));
    expect(again.undo(a)).toEqual(base);
  });
});
