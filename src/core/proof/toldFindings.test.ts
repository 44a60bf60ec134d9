import { expect, test } from '@jest/globals';
import { toFinding, worstFirst } from './finding';
import type { Found } from './finding';
import { oncePerProblem } from './toldFindings';
import { asideEntry, createAsideLookup } from './setAside';
import { outcomeOf, worthOffering } from './tryMend';

const weak = (value: number, tone: Found['tone'] = 'stop'): Found => ({
  tone,
  subject: 'role',
  message: `contrast ${value} : 1`,
  detail: '',
  measurement: { label: 'Contrast', needed: 4.5, points: [{ frame: 0, value }] },
});
const wide = toFinding('contrast', 't', 'master', weak(3));
const tall = toFinding('contrast', 't', 'tall', weak(2));
const empty = toFinding('empty', 't', null, { tone: 'stop', message: 'Name is empty', detail: '' });

test('one problem in several deliveries is one finding that names them; the worst speaks', () => {
  const told = oncePerProblem([wide, empty, tall]);
  expect(told.map(({ message, deliveryIds }) => [message, deliveryIds])).toEqual([
    ['contrast 2 : 1', ['master', 'tall']],
    ['Name is empty', []],
  ]);
  expect(told[0].parts).toEqual([wide, tall]);
  const other = toFinding('contrast', 't', 'tall', { ...weak(2), subject: 'name' });
  expect(oncePerProblem([wide, other, toFinding('contrast', 'u', 'master', weak(1))])).toHaveLength(3);
  // One that must be fixed counts more than one that is worse by its figure.
  const [first] = oncePerProblem([toFinding('contrast', 't', 'a', weak(1, 'look')), wide]);
  expect(first.tone).toBe('stop');
});

test('what must be fixed stands before what was not looked at, and that before what is to be looked at', () => {
  const of = (tone: Found['tone']) => toFinding('x', 't', null, { tone, message: tone, detail: '' });
  expect(worstFirst([of('look'), of('unseen'), of('stop'), of('look')]).map(({ tone }) => tone)).toEqual([
    'stop',
    'unseen',
    'look',
    'look',
  ]);
});

test('a finding is set aside alone, in its template, in a delivery, or with its whole check', () => {
  const said = { reason: 'Agreed', by: 'Ode Pell' };
  const reaches = (scope: Parameters<typeof asideEntry>[1], of = tall): boolean[] => {
    const entries = [asideEntry(of, scope, 'strap', said)];
    const elsewhere = toFinding('contrast', 'u', 'tall', weak(2));
    const inStrap = createAsideLookup(entries, () => 'strap');
    const inCorner = createAsideLookup(entries, () => 'corner');
    return [inStrap(tall), inStrap(wide), inStrap(elsewhere), inCorner(elsewhere), inStrap(empty)].map(
      (one) => one !== undefined,
    );
  };
  expect(reaches('finding')).toEqual([true, false, false, false, false]);
  expect(reaches('template')).toEqual([true, true, true, false, false]);
  expect(reaches('delivery')).toEqual([true, false, true, true, false]);
  expect(reaches('check')).toEqual([true, true, true, true, false]);
  expect(reaches('delivery', empty)).toEqual([false, false, false, false, true]);
  expect(asideEntry(tall, 'template', 'strap', said)).toMatchObject(said);
});

test('a mend is offered only when it mends; what it would bring about is told, and the harmless come first', () => {
  const trial = { finding: tall, change: { kind: 'title', set: { lane: 1 } } } as const;
  const late = toFinding('end', 't', null, { tone: 'stop', message: 'past the end', detail: '' });
  const minor = toFinding('cuts', 't', null, { tone: 'look', message: 'over a cut', detail: '' });
  const good = outcomeOf(trial, [wide, tall, empty], [empty]);
  expect(good).toEqual({ mends: true, causes: [] });
  // Still there in one delivery: it does not mend.
  expect(outcomeOf(trial, [wide, tall], [wide])).toEqual({ mends: false, causes: [] });
  const bad = outcomeOf(trial, [tall], [late]);
  expect(bad.causes).toEqual([late]);
  // What was to be looked at and must now be fixed is worse than before; the other way round it is not.
  expect(outcomeOf(trial, [tall, minor], [{ ...minor, tone: 'stop' }]).causes).toHaveLength(1);
  expect(outcomeOf(trial, [tall, late], [{ ...late, tone: 'look' }]).causes).toEqual([]);
  const fair = outcomeOf(trial, [tall], [minor]);
  const still = outcomeOf(trial, [tall], [tall]);
  const tried = [bad, still, fair, good].map((outcome, i) => ({ mend: i, outcome }));
  expect(worthOffering(tried).map(({ mend }) => mend)).toEqual([3, 2, 0]);
});
