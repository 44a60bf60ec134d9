import { beforeEach, expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import { useTemplate } from '../state/benchStore';
import { BenchAround, createBench } from '../state/benchForTest';
import { Score } from './Score';
import { useTitleTime } from './useTitleTime';

function Timeline() {
  return <Score {...useTitleTime(useTemplate())} />;
}

const chosen: (string | null)[] = [];
const box = (): HTMLElement => screen.getByRole('searchbox', { name: 'Find a layer' });
const rows = (): number => screen.queryAllByRole('listitem').length;
beforeEach(() => {
  chosen.length = 0;
  render(
    <BenchAround bench={createBench(tidelineStrap)} selection={[]} onSelect={(id) => chosen.push(id)}>
      <Timeline />
    </BenchAround>,
  );
});

test('layers are found by name or words; Enter chooses the first, Escape shows all again', async () => {
  const all = rows();
  expect(all).toBe(tidelineStrap.layers.length);
  await userEvent.keyboard('{Control>}f{/Control}');
  expect(box()).toHaveFocus();
  await userEvent.keyboard('lockkeeper');
  expect(rows()).toBe(1);
  expect(chosen).toEqual([]);
  await userEvent.keyboard('{Enter}');
  expect(chosen).toEqual(['role']);
  await userEvent.keyboard('{Escape}');
  expect(box()).toHaveValue('');
  expect(rows()).toBe(all);
});

test('nothing found is said, and Enter chooses nothing', async () => {
  await userEvent.type(box(), 'zeppelin{Enter}');
  expect(screen.getByText('No layer is called “zeppelin” or says it.')).toBeInTheDocument();
  expect(chosen).toEqual([]);
});
