import { beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPlan } from '@/core/model/plan';
import { FIRST_HOUSE } from '@/core/model/house';
import type { Title } from '@/core/model/project';
import { withDeliveryChange } from '@/core/project/deliver';
import type { QuietMap } from '@/core/quiet/quietMap';
import { FACES } from '@/core/faces/faces';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jsonAnswer } from '../../shared/forTest';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import type { QuietQuestion } from '../proof/proofView';
import { createProofStore, ProofProvider } from '../proof/proofView';
import { DeskDialogs } from './DeskDialogs';

const COLUMNS = 16;
const ROWS = 9;

/** A picture that is restless on the left half, and even on the right. */
const restlessLeft = (): QuietMap => ({
  columns: COLUMNS,
  rows: ROWS,
  detail: Float32Array.from({ length: COLUMNS * ROWS }, (_, i) => (i % COLUMNS < COLUMNS / 2 ? 0.5 : 0)),
  movement: new Float32Array(COLUMNS * ROWS),
  light: new Float32Array(COLUMNS * ROWS),
});

let view: DeskView;
let asked: QuietQuestion[];
const title = (): Title => view.store.getState().titles[0];

// The real faces: a place is proposed for what the words cover.
beforeAll(() => {
  const fonts = new Set(FACES.list.flatMap((face) => Object.values(face.files)));
  globalThis.fetch = (input) => {
    if (String(input) === '/api/fonts') return Promise.resolve(jsonAnswer(200, []));
    if (String(input) === '/api/house') return Promise.resolve(jsonAnswer(200, { document: FIRST_HOUSE }));
    const name = String(input).replace('/fonts/', '');
    if (!fonts.has(name)) return new Promise(() => undefined);
    const bytes = readFileSync(join('public/fonts', name));
    const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength);
    return Promise.resolve({ ok: true, arrayBuffer: () => Promise.resolve(buffer) } as Response);
  };
  class PlainFace {}
  Object.assign(globalThis, { FontFace: PlainFace });
  Object.defineProperty(document, 'fonts', { configurable: true, value: { add: () => undefined } });
});

beforeEach(() => {
  asked = [];
});

function open(
  one: Title,
  map: QuietMap | null,
  ui: Partial<ReturnType<DeskView['ui']['getState']>> = {},
): void {
  const plan = newPlan('wide-1080');
  const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
  view = createDeskView({
    titles: [one],
    plan: { ...plan, deliveries: [...plan.deliveries, tall] },
    ui: { selection: [one.id], dialog: 'quiet', ...ui },
  });
  const desk = {
    store: createProofStore(),
    askQuiet: (question: QuietQuestion) => {
      asked.push(question);
      return Promise.resolve(map);
    },
    tryMends: () => Promise.resolve([]),
  };
  renderOnDesk(
    view,
    <ProofProvider value={desk}>
      <DeskDialogs frame={0} />
    </ProofProvider>,
  );
}
const places = async (): Promise<HTMLElement[]> => {
  const list = await screen.findByRole('list', { name: 'Places' });
  await waitFor(() => expect(within(list).queryAllByRole('button').length).toBeGreaterThan(1));
  return within(list).getAllByRole('button');
};

describe('quiet places', () => {
  test('are asked for the title’s own time and format', async () => {
    open(deskTitle('a', 40, { name: 'Ilse', role: 'Keeper' }), restlessLeft());
    await places();
    expect(asked).toEqual([{ fromFrame: 40, toFrame: 190, format: 'wide-1080' }]);
  });

  test('a free one lies where the picture is quiet, and the title is put there', async () => {
    open(deskTitle('a', 0, { name: 'Ilse', role: 'Keeper' }), restlessLeft());
    const all = await places();
    const free = all.find((place) => /^Free, .* right/.test(place.textContent ?? ''));
    if (free === undefined)
      throw new Error(`no free place on the right among ${all.map((one) => one.textContent).join(', ')}`);
    expect(free).toHaveTextContent(/0$/);
    await userEvent.click(free);
    await userEvent.click(screen.getByRole('button', { name: 'Put it there' }));
    expect(title().shift?.dxU).toBeGreaterThan(400);
    expect(view.ui.getState().dialog).toBeNull();
    view.store.temporal.getState().undo();
    expect(title().shift).toBeNull();
  });

  test('counts in one delivery alone when that is chosen', async () => {
    open(deskTitle('a', 0, { name: 'Ilse', role: 'Keeper' }), restlessLeft(), {
      deliveryId: 'tall',
      onlyHere: true,
    });
    const all = await places();
    expect(screen.getByText('Counts only in Tall.')).toBeInTheDocument();
    await userEvent.click(all[all.length - 1]);
    await userEvent.click(screen.getByRole('button', { name: 'Put it there' }));
    expect(title().shift).toBeNull();
    expect(title().perDelivery.tall.shift).not.toBeNull();
  });

  test('for all deliveries, it is seen in this one too, whatever place that had of its own', async () => {
    const own = withDeliveryChange(deskTitle('a', 0, { name: 'Ilse' }), 'tall', {
      shift: { dxU: 5, dyU: 5 },
    });
    open(own, restlessLeft(), { deliveryId: 'tall' });
    const all = await places();
    await userEvent.click(all[all.length - 1]);
    await userEvent.click(screen.getByRole('button', { name: 'Put it there' }));
    expect(title().shift).not.toBeNull();
    expect(title().perDelivery).toEqual({});
  });

  test('says when there is no picture to look at', async () => {
    open(deskTitle('a', 0, { name: 'Ilse' }), null);
    expect(await screen.findByText('There is no picture under this title to look at.')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Put it there' })).toBeDisabled();
  });
});
