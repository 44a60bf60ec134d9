import { beforeEach, expect, test } from '@jest/globals';
import { act, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../demo/templates';
import { parseTemplate } from '@/core/model/templateSchema';
import { listedOf } from '@/core/resolve/listed';
import { jsonAnswer } from '../shared/forTest';
import { AboutTemplate } from './AboutTemplate';
import type { BenchForTest } from './state/benchForTest';
import { BenchAround, createBench } from './state/benchForTest';

const OTHERS = [
  { id: 'test', name: tidelineStrap.name, production: 'Night Ferry' },
  { id: 'other', name: 'Quote slip', production: 'Kiln and Clay' },
];
let bench: BenchForTest;
const now = () => bench.store.getState().template;

beforeEach(() => {
  globalThis.fetch = () => Promise.resolve(jsonAnswer(200, OTHERS));
  bench = createBench(tidelineStrap);
  render(
    <BenchAround bench={bench} selection={[]}>
      <AboutTemplate />
    </BenchAround>,
  );
});

test('what the shelf says of a template is changed in one step, which is undone in one', async () => {
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: 'About this template' }));
  const description = screen.getByLabelText('Description');
  expect(description).toHaveValue(tidelineStrap.description);
  await user.clear(description);
  await user.type(description, '  For guests who sit.  ');
  await user.selectOptions(screen.getByLabelText('Kind'), 'Quotes');
  await user.clear(screen.getByLabelText('Production'));
  await user.type(screen.getByLabelText('Production'), 'Kiln and Clay');
  expect(now()).toBe(tidelineStrap);
  await user.click(screen.getByRole('button', { name: 'Change' }));
  expect(now()).toEqual({
    ...tidelineStrap,
    description: 'For guests who sit.',
    kind: 'quote',
    production: 'Kiln and Clay',
  });
  act(() => bench.store.temporal.getState().undo());
  expect(now()).toEqual(tidelineStrap);
});

test('a name that another template has is told; none is not taken', async () => {
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: 'About this template' }));
  const name = screen.getByLabelText('Name');
  // Its own name is nobody else's.
  await waitFor(() => expect(document.querySelectorAll('datalist option')).toHaveLength(2));
  expect(screen.queryByText(/There is a template of this name/)).toBeNull();
  await user.clear(name);
  expect(screen.getByText('It needs a name.')).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Change' })).toBeDisabled();
  await user.type(name, 'quote SLIP');
  expect(screen.getByText('There is a template of this name already.')).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Change' }));
  expect(now().name).toBe('quote SLIP');
});

test('Cancel and Escape leave it as it was', async () => {
  const user = userEvent.setup();
  for (const leave of [
    () => user.click(screen.getByRole('button', { name: 'Cancel' })),
    () => user.keyboard('{Escape}'),
  ]) {
    await user.click(screen.getByRole('button', { name: 'About this template' }));
    await user.type(screen.getByLabelText('Name'), ' two');
    await leave();
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(now()).toBe(tidelineStrap);
  }
});

test('tags, notes and the cover are said, and left out again when they are emptied', async () => {
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: 'About this template' }));
  await user.type(screen.getByLabelText('Tags'), 'regatta, night ,regatta, ');
  await user.type(screen.getByLabelText('Notes'), ' Mind the sun. ');
  expect(screen.getByText('When all of it is there')).toBeInTheDocument();
  act(() => bench.playhead.setState({ seconds: 2.4 }));
  await user.click(screen.getByRole('button', { name: 'At the playhead' }));
  expect(screen.getByText('2.40 s from the start')).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Change' }));
  expect(now()).toEqual({
    ...tidelineStrap,
    tags: ['regatta', 'night'],
    notes: 'Mind the sun.',
    coverSeconds: 2.4,
  });
  expect(parseTemplate(now())).toEqual(now());
  expect(listedOf(now()).tags).toEqual(['regatta', 'night']);
  await user.click(screen.getByRole('button', { name: 'About this template' }));
  expect(screen.getByLabelText('Tags')).toHaveValue('regatta, night');
  await user.clear(screen.getByLabelText('Tags'));
  await user.clear(screen.getByLabelText('Notes'));
  await user.click(screen.getByRole('button', { name: 'As usual' }));
  await user.click(screen.getByRole('button', { name: 'Change' }));
  expect(now()).toEqual(tidelineStrap);
});
