import { beforeEach, describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import type { Layer } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import type { BenchForTest } from '../state/benchForTest';
import { createBench, renderForLayer } from '../state/benchForTest';
import { LookPanel } from './LookPanel';

let bench: BenchForTest;
const look = (id = 'name'): Layer['look'] => bench.layer(id).look;
const open = (section: string): Promise<void> =>
  userEvent.click(screen.getByRole('button', { name: new RegExp(`^${section}`) }));
const put = async (label: string, value: string): Promise<void> => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), `${value}{Enter}`);
};
const valid = (): void => {
  const { template } = bench.store.getState();
  expect(parseTemplate(template)).toEqual(template);
};

beforeEach(() => {
  bench = createBench(tidelineStrap);
  renderForLayer(bench, 'name', LookPanel);
});

describe('the look of a layer', () => {
  test('a gradient gets colours in its widest stretch, and keeps at least two', async () => {
    await open('Gradient');
    await userEvent.selectOptions(screen.getByLabelText('Gradient shape'), 'Straight across');
    await put('Gradient angle', '45');
    await userEvent.click(screen.getByRole('button', { name: '+ Colour' }));
    await put('Gradient colour 2, at', '80');
    await userEvent.click(screen.getByRole('button', { name: '+ Colour' }));
    expect(look().gradient?.stops.map(({ at }) => at)).toEqual([0, 0.4, 0.8, 1]);
    await put('Gradient colour 1, opacity', '50');
    expect(look().gradient).toMatchObject({
      shape: 'linear',
      angleDegrees: 45,
      stops: [{ opacity: 0.5 }, {}, {}, {}],
    });
    valid();
    await userEvent.click(screen.getByRole('button', { name: 'Take out gradient colour 2' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take out gradient colour 2' }));
    expect(look().gradient?.stops).toHaveLength(2);
    expect(screen.getByRole('button', { name: 'Take out gradient colour 1' })).toBeDisabled();
    await userEvent.selectOptions(screen.getByLabelText('Gradient shape'), 'None, a plain fill');
    expect(look().gradient).toBeNull();
  });

  test('outlines lie outside, centred or inside, one over the other', async () => {
    await open('Edges and shadows');
    await userEvent.click(screen.getByRole('button', { name: 'Outline' }));
    await put('Outline width', '6');
    await userEvent.click(screen.getByRole('button', { name: 'Outline' }));
    expect(look().outlines).toHaveLength(2);
    expect(look().outlines.map(({ widthU }) => widthU)).toContain(6);
    valid();
    const order = look().outlines.map(({ widthU }) => widthU);
    expect(screen.getByRole('button', { name: 'Bring outline 1 nearer' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Send outline 1 back' }));
    expect(look().outlines.map(({ widthU }) => widthU)).toEqual(order.toReversed());
    await userEvent.click(screen.getByRole('button', { name: 'Bring outline 2 nearer' }));
    expect(look().outlines.map(({ widthU }) => widthU)).toEqual(order);
  });

  test('shadows fall by angle and distance, soft and spread, outside or within', async () => {
    await open('Edges and shadows');
    await userEvent.click(screen.getByRole('button', { name: 'Shadow' }));
    await put('Shadow strength', '70');
    expect(look().shadows[0].opacity).toBeCloseTo(0.7, 5);
    valid();
  });

  test('glow and reflection are switched on, set and switched off', async () => {
    await open('Glow, blur, reflection');
    await userEvent.click(screen.getByLabelText('Glow'));
    await put('Glow size', '40');
    await userEvent.click(screen.getByLabelText('Reflection'));
    await put('Distance', '9');
    expect(look()).toMatchObject({ glow: { sizeU: 40 }, reflection: { distanceU: 9 } });
    valid();
    await userEvent.click(screen.getByLabelText('Glow'));
    await userEvent.click(screen.getByLabelText('Reflection'));
    expect(look()).toMatchObject({ glow: null, reflection: null });
  });

  test('a solid has depth, sides and a lit bevel', async () => {
    await open('Extrusion');
    await userEvent.click(screen.getByLabelText('Extrude, as cut from a board'));
    await put('Depth', '30');
    await put('Lit bevel', '4');
    expect(look().solid).toMatchObject({ depthU: 30 });
    valid();
  });

  test('a highlight lies behind each line of a text', async () => {
    await open('Highlight');
    await userEvent.click(screen.getByLabelText('Behind each line'));
    await put('Pad across', '20');
    expect(bench.layer('name')).toMatchObject({ highlight: { padAcrossU: 20 } });
    valid();
  });
});
