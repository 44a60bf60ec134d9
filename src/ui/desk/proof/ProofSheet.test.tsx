import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { withDeliveryChange } from '@/core/project/deliver';
import type { Finding } from '@/core/proof/finding';
import { toFinding } from '@/core/proof/finding';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { SheetPages } from './ProofSheet';
import { createProofStore, ProofProvider } from './proofView';

const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
const found = (check: string, titleId: string, tone: Finding['tone'], deliveryId: string | null): Finding =>
  toFinding(check, titleId, deliveryId, { tone, message: `${check} in ${titleId}`, detail: `Why ${check}.` });

const HARMLESS = { mends: true, causes: [] };

function open(
  titles: readonly Title[],
  findings: readonly Finding[],
  setAside: readonly Finding[] = [],
): void {
  const plan = newPlan('wide-1080');
  const view = createDeskView({
    titles,
    plan: {
      ...plan,
      deliveries: [...plan.deliveries, tall],
      setAside: setAside.map(({ key }) => ({ key, reason: 'Agreed with the producer' })),
    },
  });
  const store = createProofStore();
  store.setState({
    findings: new Map(titles.map(({ id }) => [id, findings.filter(({ titleId }) => titleId === id)])),
    complete: new Set(titles.map(({ id }) => id)),
    progress: { done: 9, total: 9 },
  });
  renderOnDesk(
    view,
    <ProofProvider
      value={{
        store,
        askQuiet: () => Promise.resolve(null),
        tryMends: (trials) => Promise.resolve(trials.map(() => HARMLESS)),
      }}
    >
      <SheetPages />
    </ProofProvider>,
  );
}
const entry = (number: number): HTMLElement => screen.getByRole('article', { name: `Title ${number}` });

test('every title stands there in every delivery, with what was found in it and where', () => {
  const reading = found('reading', 'a', 'stop', null);
  const safe = found('safe', 'a', 'look', 'tall');
  open([deskTitle('a', 0, { name: 'Ilse' }), deskTitle('b', 200, { name: 'Teo' })], [reading, safe]);
  expect(within(entry(1)).getAllByRole('figure')).toHaveLength(2);
  expect(within(entry(1)).getByText('Why reading.')).toBeInTheDocument();
  expect(within(entry(1)).getByText('Tall: Why safe.')).toBeInTheDocument();
  expect(within(entry(2)).getByText('clear')).toBeInTheDocument();
  expect(screen.getByRole('status')).toHaveTextContent(
    '2 titles · 1 to fix · 0 to look at · 0 findings ignored',
  );
});

test('what is ignored is told with its reason, and no longer counted', () => {
  const safe = found('safe', 'a', 'stop', 'tall');
  open([deskTitle('a', 0, { name: 'Ilse' })], [safe], [safe]);
  expect(within(entry(1)).getByText('Tall: ignored: Agreed with the producer')).toBeInTheDocument();
  expect(within(entry(1)).queryByText('clear')).toBeNull();
  expect(within(entry(1)).getByText('1 finding ignored')).toBeInTheDocument();
  expect(screen.getByRole('status')).toHaveTextContent(
    '1 title · 0 to fix · 0 to look at · 1 finding ignored',
  );
});

test('a title that is left out of a delivery says so in place of its picture', () => {
  open([withDeliveryChange(deskTitle('a', 0, { name: 'Ilse' }), 'tall', { leftOut: true })], []);
  expect(within(entry(1)).getByText('Tall: left out')).toBeInTheDocument();
});

test('many titles come in pages, as many on each as are wanted', async () => {
  open(
    Array.from({ length: 90 }, (_, i) => deskTitle(`t${i}`, i * 200, { name: `Name ${i}` })),
    [],
  );
  // Two parts of 48; each page of the print holds as many as are wanted.
  expect(screen.getAllByRole('article')).toHaveLength(48);
  expect(screen.getAllByRole('region', { name: /^Page / })).toHaveLength(6);
  await userEvent.selectOptions(screen.getByLabelText('Titles a page'), '12 a page');
  expect(screen.getAllByRole('region', { name: /^Page / })).toHaveLength(4);
  await userEvent.click(screen.getByRole('button', { name: 'After' }));
  expect(screen.getAllByRole('article')).toHaveLength(42);
  expect(screen.getByRole('button', { name: 'After' })).toBeDisabled();
});

test('says the words that go to air, the edition, when it was looked at, and where it is signed', () => {
  open([withDeliveryChange(deskTitle('a', 0, { name: 'Ilse' }), 'tall', { values: { name: 'Il' } })], []);
  expect(within(entry(1)).getByText('Ilse')).toBeInTheDocument();
  expect(within(entry(1)).getByText('Il')).toBeInTheDocument();
  // The role is not typed: its sample words are not shown as if they were.
  expect(within(entry(1)).getByText('empty')).toBeInTheDocument();
  expect(within(entry(1)).getByText('edition 1')).toBeInTheDocument();
  expect(screen.getByText(/^Looked at on \d+ \w+ \d{4}, \d\d:\d\d · 1 title/)).toBeInTheDocument();
  expect(screen.getByText('Signature')).toBeInTheDocument();
});

test('what could not be looked at is counted, and never called clear', () => {
  open([deskTitle('a', 0, { name: 'Ilse' })], [found('pictures', 'a', 'unseen', 'tall')]);
  expect(within(entry(1)).queryByText('clear')).toBeNull();
  expect(screen.getByRole('status')).toHaveTextContent('1 title · 0 to fix · 1 not looked at · 0 to look at');
});
