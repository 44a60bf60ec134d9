import { beforeEach, expect, test } from '@jest/globals';
import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPlan } from '@/core/model/plan';
import type { Finding } from '@/core/proof/finding';
import { toFinding } from '@/core/proof/finding';
import type { Trial, TrialOutcome } from '@/core/proof/tryMend';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { ProofPanel } from './ProofPanel';
import type { ProofDesk } from './proofView';
import { createProofStore, ProofProvider } from './proofView';

const short: Finding = toFinding('reading', 'a', null, {
  tone: 'stop',
  message: 'reads in 3.0 s, fully visible for 1.2',
  detail: 'A viewer needs 3.0 s to read it.',
  mends: [{ label: 'Lengthen', change: { kind: 'title', set: { lengthFrames: 200 } } }],
});
const slip: Finding = toFinding('spelling', 'b', 'tall', {
  tone: 'look',
  subject: 'role Sailmakr',
  message: '“Sailmakr”?',
  detail: 'Role: “Sailmakr” is in no dictionary here.',
  mends: [
    { label: 'Write “Sailmaker”', change: { kind: 'words', fieldId: 'role', value: 'Sailmaker' } },
    { label: 'It is right', change: { kind: 'ownWord', word: 'Sailmakr' } },
  ],
  frame: 40,
});

const HARMLESS: TrialOutcome = { mends: true, causes: [] };
let outcome: (trial: Trial) => TrialOutcome | null;
let view: DeskView;
let desk: ProofDesk;
let looked: [string, number | null][];
const find = (findings: readonly Finding[], done = 4): void =>
  desk.store.setState({
    findings: new Map(['a', 'b'].map((id) => [id, findings.filter(({ titleId }) => titleId === id)])),
    complete: new Set(done === 4 ? ['a', 'b'] : []),
    progress: { done, total: 4 },
  });

beforeEach(() => {
  outcome = () => HARMLESS;
  const plan = newPlan('wide-1080');
  const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
  view = createDeskView({
    titles: [deskTitle('a', 0, { name: 'Ilse' }), deskTitle('b', 200, { name: 'Teo', role: 'Sailmakr' })],
    plan: { ...plan, deliveries: [...plan.deliveries, tall] },
    ui: { selection: ['a'] },
  });
  looked = [];
  desk = {
    store: createProofStore(),
    askQuiet: () => Promise.resolve(null),
    tryMends: (trials) => Promise.resolve(trials.map(outcome)),
  };
  renderOnDesk(
    view,
    <ProofProvider value={desk}>
      <ProofPanel onLook={(...where) => looked.push(where)} />
    </ProofProvider>,
  );
});
const item = (message: string): HTMLElement => {
  const found = screen.getByText(message).closest('li');
  if (found === null) throw new Error(`No finding says ${message}`);
  return found;
};

test('says how far it is, and calls nothing clear before it was looked at', () => {
  expect(screen.getByRole('status')).toHaveTextContent('Beginning to look');
  act(() => find([], 1));
  expect(screen.getByRole('status')).toHaveTextContent('25 % looked at');
  expect(screen.getByText('It is being looked at.')).toBeInTheDocument();
  act(() => find([]));
  expect(screen.getByRole('status')).toHaveTextContent('All looked at');
  expect(screen.getByText('Nothing was found in it.')).toBeInTheDocument();
});

test('tells what was found in the chosen title first, then in the others, with number and delivery', () => {
  act(() => find([short, slip]));
  const [own, others] = screen.getAllByRole('list');
  expect(within(own).getByText('A viewer needs 3.0 s to read it.')).toBeInTheDocument();
  expect(within(others).getByText('2')).toBeInTheDocument();
  expect(within(others).getByText('Tall')).toBeInTheDocument();
});

test('a finding leads to where it is seen, in its delivery', async () => {
  act(() => find([short, slip]));
  await userEvent.click(screen.getByText('“Sailmakr”?'));
  expect(looked).toEqual([['b', 40]]);
  expect(view.ui.getState()).toMatchObject({ selection: ['b'], deliveryId: 'tall' });
});

test('a mend changes the title, and undo takes it back', async () => {
  act(() => find([short, slip]));
  await userEvent.click(await within(item(short.message)).findByRole('button', { name: 'Lengthen' }));
  expect(view.store.getState().titles[0].lengthFrames).toBe(200);
  act(() => view.store.temporal.getState().undo());
  expect(view.store.getState().titles[0].lengthFrames).toBe(150);
  // The mends of another title are there once it is chosen.
  await userEvent.click(within(item(slip.message)).getByRole('button', { name: 'Look at it' }));
  await userEvent.click(await within(item(slip.message)).findByRole('button', { name: 'Write “Sailmaker”' }));
  expect(view.store.getState().titles[1].values.role).toBe('Sailmaker');
  await userEvent.click(within(item(slip.message)).getByRole('button', { name: 'It is right' }));
  expect(view.store.getState().plan.words).toEqual(['sailmakr']);
});

test('what several titles have in common is mended in all of them, in one step', async () => {
  act(() => find([short, slip]));
  expect(screen.queryByRole('group', { name: 'For several titles' })).toBeNull();
  const [{ label }] = short.mends;
  const { tone, message, detail } = short;
  const mends = [{ label, change: { kind: 'title' as const, set: { lengthFrames: 180 } } }];
  const also = toFinding('reading', 'b', null, { tone, message, detail, mends });
  const inTall = toFinding('reading', 'b', 'tall', { tone, message, detail, mends });
  act(() => find([short, also, inTall, slip]));
  await userEvent.click(screen.getByRole('button', { name: 'Lengthen, 2 titles' }));
  const lengths = (): number[] => view.store.getState().titles.map(({ lengthFrames }) => lengthFrames);
  await waitFor(() => expect(lengths()).toEqual([200, 180]));
  act(() => view.store.temporal.getState().undo());
  expect(lengths()).toEqual([150, 150]);
});

test('a mend that does not mend is not offered, and one that brings something says so', async () => {
  const change = (lengthFrames: number) => ({ kind: 'title' as const, set: { lengthFrames } });
  const mends = ['Useless', 'Rough', 'Fine'].map((label, i) => ({ label, change: change(200 + i) }));
  outcome = ({ change: tried }) => {
    const { lengthFrames } = tried.kind === 'title' ? tried.set : {};
    if (lengthFrames === 200) return { mends: false, causes: [] };
    return { mends: true, causes: lengthFrames === 201 ? [slip] : [] };
  };
  act(() => find([{ ...short, mends }]));
  await within(item(short.message)).findByRole('button', { name: 'Fine' });
  const names = within(item(short.message))
    .getAllByRole('button')
    .map(({ textContent }) => textContent);
  expect(names.slice(1)).toEqual(['Fine', `Rough, would bring: ${slip.message}`, 'Ignore']);
});

test('mending many leaves alone what it would make worse', async () => {
  const mends = [{ label: 'Lengthen', change: { kind: 'title' as const, set: { lengthFrames: 180 } } }];
  const also = toFinding('reading', 'b', null, { tone: 'stop', message: 'short', detail: '', mends });
  outcome = ({ finding }) => ({ mends: true, causes: finding.titleId === 'b' ? [slip] : [] });
  act(() => find([short, also]));
  await userEvent.click(screen.getByRole('button', { name: 'Lengthen, 2 titles' }));
  const lengths = (): number[] => view.store.getState().titles.map(({ lengthFrames }) => lengthFrames);
  await waitFor(() => expect(lengths()).toEqual([200, 150]));
});

test('a finding is ignored with a reason and a name, listed, and taken up again', async () => {
  act(() => find([short]));
  await userEvent.click(within(item(short.message)).getByRole('button', { name: 'Ignore' }));
  expect(screen.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await userEvent.type(screen.getByLabelText('Reason'), 'Seen twice before');
  expect(screen.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await userEvent.type(screen.getByLabelText('Your name'), 'Ode Pell{Enter}');
  expect(screen.queryByText(short.message)).toBeNull();
  expect(view.store.getState().plan.setAside).toEqual([
    { key: short.key, reason: 'Seen twice before', by: 'Ode Pell' },
  ]);
  await userEvent.click(screen.getByText('1 ignored'));
  expect(screen.getByText('Seen twice before (Ode Pell)')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Stop ignoring' }));
  expect(screen.getByText(short.message)).toBeInTheDocument();
});

test('a finding is ignored for its template, and the name is known the next time', async () => {
  const other = toFinding('reading', 'b', null, { tone: 'stop', message: 'also short', detail: '' });
  window.localStorage.setItem('gilder.name', 'Ode Pell');
  act(() => find([short, other]));
  await userEvent.click(within(item(short.message)).getByRole('button', { name: 'Ignore' }));
  await userEvent.selectOptions(
    screen.getByLabelText('What is ignored'),
    '“Time to read” in all “Tideline strap”',
  );
  await userEvent.type(screen.getByLabelText('Reason'), 'Slow readers only{Enter}');
  expect(screen.queryByText(short.message)).toBeNull();
  expect(screen.queryByText('also short')).toBeNull();
});

test('a proof that cannot go on says why', () => {
  act(() => desk.store.setState({ failure: 'The proof stopped. Reload the page.' }));
  expect(screen.getByRole('alert')).toHaveTextContent('The proof stopped.');
});
