import { beforeEach, describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Plan } from '@/core/model/plan';
import { newPlan } from '@/core/model/plan';
import type { Finding } from '@/core/proof/finding';
import { jsonAnswer, renderScreen } from '../../shared/forTest';
import { DeskProvider } from '../deskContext';
import { createDeskView, deskTitle } from '../deskForTest';
import { createProofStore, ProofProvider } from '../proof/proofView';
// What is fetched when it is first opened is here before.
import './SendDialog';
import { SendToPress } from './SendToPress';

const finding = (titleId: string, tone: 'stop' | 'look', deliveryId: string | null): Finding => ({
  key: `${titleId} ${tone} ${deliveryId}`,
  check: 'contrast',
  titleId,
  deliveryId,
  mends: [],
  frame: null,
  subject: '',
  tone,
  message: 'contrast 1.9 : 1',
  detail: '',
});

const HARMLESS = { mends: true, causes: [] };

/** A desk of four titles: one clear, one to fix in the tall delivery only, one to look at, one still being looked at. */
function open(plan?: Plan): readonly string[] {
  const titles = ['a', 'b', 'c', 'd'].map((id, i) => deskTitle(id, i * 200, { name: id }));
  const view = createDeskView({ titles, plan, ui: { selection: ['a'] } });
  const store = createProofStore();
  store.setState({
    complete: new Set(['a', 'b', 'c']),
    findings: new Map([
      ['b', [finding('b', 'stop', 'tall')]],
      ['c', [finding('c', 'look', null)]],
    ]),
  });
  return renderScreen(
    '/desk/p',
    <DeskProvider value={view}>
      <ProofProvider
        value={{
          store,
          askQuiet: () => Promise.resolve(null),
          tryMends: (trials) => Promise.resolve(trials.map(() => HARMLESS)),
        }}
      >
        <SendToPress flush={() => Promise.resolve()} />
      </ProofProvider>
    </DeskProvider>,
  );
}

test('what is still to look at, or was not looked at, in this delivery is said before anything is sent', async () => {
  open();
  await userEvent.click(screen.getByRole('button', { name: 'Send to Press' }));
  // The chosen title is clear.
  expect(screen.queryByRole('status')).toBeNull();
  expect(screen.getByRole('button', { name: 'Send' })).toBeEnabled();
  await userEvent.click(screen.getByText('All 4 titles'));
  expect(screen.getByRole('status')).toHaveTextContent(
    'In this delivery 1 title has something to look at, 1 title is still being looked at.',
  );
  expect(screen.getByRole('button', { name: 'Send anyway' })).toBeEnabled();
});

describe('several at once', () => {
  const plan: Plan = {
    ...newPlan('wide-1080'),
    deliveries: [
      { id: 'master', name: 'Master', format: 'wide-1080', interlaced: false },
      { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false },
    ],
  };
  const asked: unknown[] = [];
  beforeEach(() => {
    asked.length = 0;
    window.localStorage.clear();
    globalThis.fetch = (path, init) => {
      // What it would come to is asked for between, and sooner or later.
      if (!String(path).endsWith('/orders')) return Promise.reject(new Error('not now'));
      asked.push(JSON.parse(String(init?.body)));
      return Promise.resolve(jsonAnswer(201, { ids: ['one', 'two'] }));
    };
  });

  test('deliveries and kinds of file are one order each, and what was chosen is there the next time', async () => {
    const visited = open(plan);
    await userEvent.click(screen.getByRole('button', { name: 'Send to Press' }));
    await userEvent.click(screen.getByRole('checkbox', { name: /^Tall/ }));
    await userEvent.click(screen.getByRole('checkbox', { name: /^MOV, ProRes 4444/ }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Paint in 16 bits, slower' }));
    await userEvent.selectOptions(screen.getByLabelText('Add a part to the file names'), '{rate}');
    expect(screen.getByText('Makes 4 files in 4 jobs.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Send' }));
    const order = {
      projectId: 'p',
      titleIds: ['a'],
      names: '{number}-{words}{rate}',
      premultiplied: false,
      fine: true,
    };
    expect(asked).toEqual([
      {
        orders: [
          { ...order, deliveryId: 'master', output: 'mov-png' },
          { ...order, deliveryId: 'master', output: 'mov-prores' },
          { ...order, deliveryId: 'tall', output: 'mov-png' },
          { ...order, deliveryId: 'tall', output: 'mov-prores' },
        ],
      },
    ]);
    expect(visited).toEqual(['/press']);
    await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
    await userEvent.click(screen.getByRole('button', { name: 'Send to Press' }));
    expect(screen.getByRole('checkbox', { name: /^MOV, ProRes 4444/ })).toBeChecked();
    expect(screen.getByRole('checkbox', { name: 'Paint in 16 bits, slower' })).toBeChecked();
    expect(screen.getByLabelText('File names')).toHaveValue('{number}-{words}{rate}');
  });

  test('without a kind or a delivery nothing can be sent', async () => {
    open(plan);
    await userEvent.click(screen.getByRole('button', { name: 'Send to Press' }));
    await userEvent.click(screen.getByRole('checkbox', { name: /^MOV, lossless alpha/ }));
    expect(screen.getByText('Choose a kind of file and a delivery.')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Send' })).toBeDisabled();
  });

  test('what was kept and makes no sense is passed over', async () => {
    window.localStorage.setItem('gilder-send', '{"outputs":["gone"],"staysHere":7}');
    open(plan);
    await userEvent.click(screen.getByRole('button', { name: 'Send to Press' }));
    expect(screen.getByRole('checkbox', { name: /^MOV, lossless alpha/ })).toBeChecked();
    expect(screen.getByRole('checkbox', { name: 'Stay on the desk' })).not.toBeChecked();
  });
});
