import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import { FIRST_HOUSE } from '@/core/model/house';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import { parseTemplate } from '@/core/model/templateSchema';
import { jsonAnswer } from '../../shared/forTest';
import type { BenchForTest } from '../state/benchForTest';
import { createBench, renderForLayer } from '../state/benchForTest';
import { MotionPanel } from './MotionPanel';

let bench: BenchForTest;
const realFetch = globalThis.fetch;
const SLOW = motionOf(newMoveUse('slide', { startSeconds: 2, lengthSeconds: 9 }), null, {
  hold: [],
});
const HOUSE = {
  ...FIRST_HOUSE,
  moves: [
    { id: 'drift', name: 'Drift', motion: SLOW, folder: 'Straps', tags: ['river', 'slow'] },
    { id: 'drop', name: 'Lantern drop', motion: SLOW },
  ],
};

beforeEach(() => {
  globalThis.fetch = async (input) =>
    String(input) === '/api/house'
      ? jsonAnswer(200, { document: HOUSE, revision: 1 })
      : new Promise<Response>(() => undefined);
  bench = createBench(tidelineStrap);
  renderForLayer(bench, 'name', MotionPanel);
});
afterEach(() => {
  globalThis.fetch = realFetch;
});

const moves = (): string[] => bench.layer('name').motion.in.map(({ move }) => move);
const open = async (): Promise<HTMLElement> => {
  await userEvent.click(screen.getByRole('button', { name: /^Move in/ }));
  const find = await screen.findByLabelText('Find a move');
  await waitFor(() => expect(find).toHaveFocus());
  return find;
};

describe('the moves to choose from', () => {
  test('are found by typing at once, and Enter takes the first', async () => {
    await open();
    await userEvent.keyboard('ribbon{Enter}');
    expect(moves()).toEqual(['unroll']);
    expect(screen.queryByLabelText('Find a move')).toBeNull();
  });

  test('those of the House are found by their folder and tags too, and stand folder by folder', async () => {
    const find = await open();
    const named = (): (string | null)[] =>
      screen.getAllByRole('button', { name: /House/ }).map((one) => one.textContent);
    await waitFor(() => expect(named()).toHaveLength(2));
    expect(named()[1]).toMatch(/Drift ?House · Straps$/);
    for (const typed of ['straps', 'river']) {
      await userEvent.clear(find);
      await userEvent.type(find, typed);
      expect(named()).toHaveLength(1);
    }
  });

  test('nothing is taken where nothing is found', async () => {
    const before = moves();
    await open();
    await userEvent.keyboard('no such move{Enter}');
    expect(screen.getByText('No move is called that.')).toBeInTheDocument();
    expect(moves()).toEqual(before);
  });

  test('are gone through with the arrows, three in a row, and back to the search', async () => {
    const find = await open();
    await userEvent.keyboard('{ArrowDown}');
    const tiles = screen.getAllByRole('button').filter((one) => one.hasAttribute('aria-pressed'));
    expect(tiles[0]).toHaveFocus();
    await userEvent.keyboard('{ArrowDown}{ArrowRight}');
    expect(tiles[4]).toHaveFocus();
    await userEvent.keyboard('{ArrowLeft}{ArrowUp}{ArrowLeft}');
    expect(tiles[0]).toHaveFocus();
    await userEvent.keyboard('{ArrowUp}');
    expect(find).toHaveFocus();
    await userEvent.keyboard('{ArrowUp}');
    expect(find).toHaveFocus();
  });

  test('have those of the House first; one is the whole motion, fitted into the title', async () => {
    await open();
    const own = await screen.findByRole('button', { name: /Lantern drop ?of the House$/ });
    expect(screen.getAllByRole('button').filter((one) => one.hasAttribute('aria-pressed'))[0]).toBe(own);
    await userEvent.keyboard('lantern{Enter}');
    const { template } = bench.store.getState();
    const [slide] = bench.layer('name').motion.in;
    expect(slide.move).toBe('slide');
    expect(slide.startSeconds + slide.lengthSeconds).toBeLessThanOrEqual(template.timing.inSeconds);
    expect(bench.layer('name').motion.out).toEqual(SLOW.out);
    expect(parseTemplate(template)).toEqual(template);
  });
});
