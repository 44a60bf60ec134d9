import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Finding } from '@/core/proof/finding';
import { renderScreen } from '../shared/forTest';
import { DeskProvider } from './deskContext';
import { createDeskView, deskTitle } from './deskForTest';
import { createProofStore, ProofProvider } from './proof/proofView';
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
function open(): void {
  const titles = ['a', 'b', 'c', 'd'].map((id, i) => deskTitle(id, i * 200, { name: id }));
  const view = createDeskView({ titles, ui: { selection: ['a'] } });
  const store = createProofStore();
  store.setState({
    complete: new Set(['a', 'b', 'c']),
    findings: new Map([
      ['b', [finding('b', 'stop', 'tall')]],
      ['c', [finding('c', 'look', null)]],
    ]),
  });
  renderScreen(
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
