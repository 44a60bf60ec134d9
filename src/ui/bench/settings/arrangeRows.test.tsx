import { beforeEach, describe, expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { place, testBox, testTemplate } from '@/core/testing';
import { addGroup } from '@/core/edit/addLayer';
import { parseTemplate } from '@/core/model/templateSchema';
import { ArrangeRows } from './ArrangeRows';
import type { BenchForTest } from '../state/benchForTest';
import { BenchAround, createBench, noteBoxes } from '../state/benchForTest';

let bench: BenchForTest;
const at = (x: number, y: number): { x: number; y: number; width: number; height: number } => ({
  x,
  y,
  width: 100,
  height: 50,
});

beforeEach(() => {
  bench = createBench(
    testTemplate(
      [at(200, 100), at(500, 300), at(900, 320)].map(({ x, y }, i) =>
        testBox(`box-${i + 1}`, { place: place({ dxU: x, dyU: y }) }),
      ),
    ),
  );
  noteBoxes(bench, { 'box-1': at(200, 100), 'box-2': at(500, 300), 'box-3': at(900, 320) });
});
const choose = (...selection: string[]): void => {
  render(
    <BenchAround bench={bench} selection={selection}>
      <ArrangeRows layer={bench.layer(selection[0])} />
    </BenchAround>,
  );
};
const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));
const across = (): number[] => [1, 2, 3].map((i) => bench.layer(`box-${i}`).place.dxU);
const down = (): number[] => [1, 2, 3].map((i) => bench.layer(`box-${i}`).place.dyU);
const kinds = (): string[] => bench.store.getState().template.layers.map(({ kind }) => kind);

describe('lining layers up', () => {
  test('by their edges or middles, to one another', async () => {
    choose('box-1', 'box-2', 'box-3');
    await press('Left edges');
    expect(across()).toEqual([200, 200, 200]);
    await press('Bottom edges');
    expect(new Set(down()).size).toBe(1);
  });

  test('one alone to the safe area or the frame', async () => {
    choose('box-1');
    expect(screen.getByRole('radio', { name: 'Title safe' })).toBeChecked();
    await press('Left edges');
    expect(across()[0]).toBeCloseTo(96, 5);
    await userEvent.click(screen.getByRole('radio', { name: 'Frame' }));
    await press('Right edges');
    expect(across()[0]).toBeCloseTo(1820 - 104 + 0, -2);
    expect(screen.getByRole('button', { name: 'Group' })).toBeDisabled();
  });

  test('with even gaps between three, which a fourth pixel does not change', async () => {
    choose('box-1', 'box-2', 'box-3');
    await press('Space across');
    const [a, b, c] = across();
    expect(b - a).toBeCloseTo(c - b, 5);
    expect([a, c]).toEqual([200, 900]);
  });
});

describe('putting layers together', () => {
  test('as a group or a stack of the chosen ones', async () => {
    choose('box-1', 'box-2');
    await press('Group');
    expect(bench.layer('group-1')).toMatchObject({ members: ['box-1', 'box-2'] });
    await press('Stack');
    expect(bench.layer('stack-1')).toMatchObject({ members: ['box-1', 'box-2'] });
    expect(parseTemplate(bench.store.getState().template)).toEqual(bench.store.getState().template);
  });

  test('and taken apart again, where nothing is left of what held them', async () => {
    bench.store.getState().apply((now) => addGroup(now, ['box-1', 'box-2']).template);
    choose('group-1');
    await press('Take apart');
    expect(kinds()).not.toContain('group');
    expect(kinds().filter((kind) => kind === 'box')).toHaveLength(3);
  });

  test('as a linked copy, or repeated down with a gap', async () => {
    choose('box-3');
    await press('Linked copy');
    expect(bench.layer('copy-1')).toMatchObject({ of: 'box-3' });
    const many = screen.getByLabelText('How many more');
    await userEvent.clear(many);
    await userEvent.type(many, '3{Enter}');
    await press('Repeat down');
    expect(kinds().filter((kind) => kind === 'box')).toHaveLength(6);
    expect(parseTemplate(bench.store.getState().template)).toEqual(bench.store.getState().template);
  });
});
