import { beforeEach, describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import { keysFor } from '@/core/edit/editTracks';
import type { Keyframe, Track } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import type { BenchForTest } from '../state/benchForTest';
import { createBench, renderForLayer } from '../state/benchForTest';
import { KeyframeRows } from './KeyframeRows';

let bench: BenchForTest;
const tracks = (id = 'panel'): readonly Track[] => bench.layer(id).motion.tracks;
const animate = (property: string): Promise<void> =>
  userEvent.selectOptions(screen.getByLabelText('Animate a property'), property);
const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

beforeEach(() => {
  bench = createBench(tidelineStrap);
  renderForLayer(bench, 'panel', KeyframeRows);
});

describe('keyframes', () => {
  test('a property is animated from the value that it has, once', async () => {
    await animate('Opacity');
    expect(tracks()).toMatchObject([{ on: true, keys: [{ way: 'smooth' }] }]);
    expect(screen.getByText(/^Opacity, key 1 of 1$/)).toBeInTheDocument();
    expect(screen.queryByRole('option', { name: 'Opacity' })).toBeNull();
    const { template } = bench.store.getState();
    expect(parseTemplate(template)).toEqual(template);
  });

  test('the chosen key has a value, a time and a way to the next', async () => {
    await animate('Opacity');
    const value = screen.getByLabelText(/^Value of the key|^Opacity/);
    await userEvent.clear(value);
    await userEvent.type(value, '40{Enter}');
    await userEvent.selectOptions(screen.getByLabelText('Way to the next key'), 'Stepped');
    const time = screen.getByLabelText('Time of the key');
    await userEvent.clear(time);
    await userEvent.type(time, '0.5{Enter}');
    expect(tracks()[0].keys[0]).toMatchObject({ way: 'stepped' });
    expect(screen.getByText(/^Tied to the/)).toBeInTheDocument();
  });

  test('the last key that is removed takes its track along', async () => {
    await animate('Opacity');
    await press('Remove this key');
    expect(tracks()).toEqual([]);
  });

  test('keys are copied to another figure, in its range, and never to a colour', async () => {
    await animate('Opacity');
    await press('Copy keys');
    await animate('Fill');
    expect(screen.getByRole('button', { name: 'Paste' })).toBeDisabled();
    await animate('Blur across');
    await press('Paste');
    const { template } = bench.store.getState();
    expect(parseTemplate(template)).toEqual(template);
    expect(tracks().at(-1)?.keys).toHaveLength(1);
  });
});

test('keys fit a property by their kind and in its range', () => {
  const panel = createBench(tidelineStrap).layer('panel');
  const key = (value: Keyframe['value']): Keyframe => ({
    moment: { from: 'start', offsetSeconds: 0, share: 0 },
    value,
    way: 'straight',
    curve: [0, 0, 1, 1],
  });
  expect(keysFor(panel, 'opacity', [key(700)])).toMatchObject([{ value: 100 }]);
  expect(keysFor(panel, 'opacity', [key('#123456')])).toBeNull();
  expect(keysFor(panel, 'fill', [key(0.4)])).toBeNull();
  expect(keysFor(panel, 'fill', [key('#123456')])).toMatchObject([{ value: '#123456' }]);
  expect(keysFor(panel, 'nothing', [key(1)])).toBeNull();
});
