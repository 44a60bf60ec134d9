import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { openingLockup, placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Title } from '@/core/document/project';
import type { Template } from '@/core/document/template';
import { RATES } from '@/core/units/rates';
import type { EditionRecord } from '@/db/templates';
import { CueSheet } from './CueSheet';
import { DeskProvider, newerEdition } from './deskContext';
import type { DeskView } from './deskContext';
import type { DeskStore } from './deskStore';
import { createDeskStore } from './deskStore';

const edition = (id: string, templateId: string, document: Template, number = 1): EditionRecord => ({
  id,
  templateId,
  number,
  document,
  releasedAt: '2026-11-25T00:00:00.000Z',
  uses: 0,
});
const strap = edition('strap-1', 'strap', tidelineStrap);
const newer = edition('strap-2', 'strap', tidelineStrap, 2);
const corner = edition('corner-1', 'corner', placeCorner);
const lockup = edition('lockup-1', 'lockup', openingLockup);

const title = (id: string, startFrame: number, values: Title['values'], editionId = 'strap-1'): Title => ({
  id,
  editionId,
  startFrame,
  lengthFrames: 150,
  lane: 0,
  values,
});

let store: DeskStore;

const viewOf = (selected: string | null, select: (id: string | null) => void): DeskView => ({
  projectId: 'p',
  settings: { name: 'P', production: '', format: 'wide-1080', rate: '25' },
  rate: RATES.get('25'),
  clips: [],
  editions: new Map([strap, newer, corner, lockup].map((one) => [one.id, one])),
  newest: new Map([newer, corner, lockup].map((one) => [one.templateId, one])),
  store,
  selected,
  select,
});

function Desk({ wanted = '' }: { readonly wanted?: string }) {
  const [selected, select] = useState<string | null>('a');
  return (
    <DeskProvider value={viewOf(selected, select)}>
      <CueSheet wanted={wanted} onChoose={select} />
    </DeskProvider>
  );
}

beforeEach(() => {
  store = createDeskStore([
    title('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper' }),
    title('b', 200, { name: 'Teo Vance', role: 'Sailmaker' }),
    title('c', 400, { place: 'Upper Weir' }, 'corner-1'),
  ]);
});

const titles = (): readonly Title[] => store.getState().titles;
const row = (number: number): HTMLElement => screen.getAllByRole('row')[number];

describe('the cue sheet', () => {
  test('shows a title a row, with the design’s words where nothing was typed', () => {
    render(<Desk />);
    expect(screen.getByLabelText('In, row 2')).toHaveValue('00:00:08:00');
    expect(screen.getByLabelText('Lasts, row 2')).toHaveValue('06:00');
    expect(screen.getByLabelText('Name, row 2')).toHaveValue('Teo Vance');
    expect(screen.getByLabelText('Date or tide, row 3')).toHaveValue('low water 14:20');
    expect(within(row(1)).getByText('clear')).toBeInTheDocument();
  });

  test('words go into the title as they are typed', async () => {
    render(<Desk />);
    const name = screen.getByLabelText('Name, row 1');
    await userEvent.clear(name);
    await userEvent.type(name, 'Noor');
    expect(titles()[0].values).toEqual({ name: 'Noor', role: 'Lockkeeper' });
    await userEvent.clear(name);
    expect(within(row(1)).getByText('Name is empty')).toBeInTheDocument();
  });

  test('Enter and the arrows go to the same column of the next row, and choose its title', async () => {
    render(<Desk />);
    await userEvent.click(screen.getByLabelText('Name, row 1'));
    await userEvent.keyboard('{Enter}');
    expect(screen.getByLabelText('Name, row 2')).toHaveFocus();
    expect(row(2)).toHaveAttribute('aria-selected', 'true');
    await userEvent.keyboard('{ArrowUp}');
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
  });

  test('a time is taken on Enter, and the row goes where it belongs', async () => {
    render(<Desk />);
    const start = screen.getByLabelText('In, row 1');
    await userEvent.clear(start);
    await userEvent.type(start, '10s{Enter}');
    expect(titles().map((one) => [one.id, one.startFrame])).toEqual([
      ['b', 200],
      ['a', 250],
      ['c', 400],
    ]);
  });

  test.each([
    ['soon', /Expected a time such as/],
    ['1f', /Expected at least 2 frames, got "1f"/],
    ['00:00:00:30', /Expected frames below 25/],
  ])('a length of “%s” stays as typed, says what is wrong and changes nothing', async (typed, message) => {
    render(<Desk />);
    const lasts = screen.getByLabelText('Lasts, row 1');
    await userEvent.clear(lasts);
    await userEvent.type(lasts, `${typed}{Enter}`);
    expect(screen.getByRole('alert')).toHaveTextContent(message);
    expect(lasts).toHaveValue(typed);
    expect(lasts).toHaveFocus();
    expect(titles()[0].lengthFrames).toBe(150);
    await userEvent.keyboard('{Escape}');
    expect(lasts).toHaveValue('06:00');
  });

  test('too short a title is told how long it takes to read', async () => {
    render(<Desk />);
    const lasts = screen.getByLabelText('Lasts, row 1');
    await userEvent.clear(lasts);
    await userEvent.type(lasts, '2s{Enter}');
    expect(within(row(1)).getByText(/^reads in \d\.\d s, lasts 0\.2$/)).toBeInTheDocument();
  });

  test('another template keeps the words, by their order when no name is the same', async () => {
    render(<Desk />);
    await userEvent.selectOptions(screen.getByLabelText('Template, row 1'), 'Opening lockup');
    expect(titles()[0]).toMatchObject({
      editionId: 'lockup-1',
      values: { title: 'Ilse Marrow', line: 'Lockkeeper' },
    });
    // What the strap called them is kept as well, for the way back.
    expect(titles()[0].values).toMatchObject({ name: 'Ilse Marrow', role: 'Lockkeeper' });
  });

  test('finds rows by template and by word', () => {
    const { rerender } = render(<Desk wanted="sail" />);
    expect(screen.getAllByRole('row')).toHaveLength(2);
    rerender(<Desk wanted="place corner" />);
    expect(screen.getByLabelText('Place, row 1')).toHaveValue('Upper Weir');
    rerender(<Desk wanted="ferry" />);
    expect(screen.getByText('No title says “ferry”.')).toBeInTheDocument();
  });

  test('an empty sheet says what goes here', () => {
    store = createDeskStore([]);
    render(<Desk />);
    expect(screen.getByText(/No titles yet/)).toBeInTheDocument();
  });

  test('undo takes back what was typed', async () => {
    jest.useFakeTimers({ advanceTimers: true });
    render(<Desk />);
    jest.advanceTimersByTime(2000);
    await userEvent.type(screen.getByLabelText('Name, row 1'), '!', { delay: null });
    expect(titles()[0].values.name).toBe('Ilse Marrow!');
    act(() => store.temporal.getState().undo());
    expect(screen.getByLabelText('Name, row 1')).toHaveValue('Ilse Marrow');
    jest.useRealTimers();
  });
});

test('a title knows whether its template has a newer edition', () => {
  const view = viewOf(null, () => undefined);
  expect(newerEdition(view, title('x', 0, {}))?.number).toBe(2);
  expect(newerEdition(view, title('x', 0, {}, 'strap-2'))).toBeNull();
  expect(newerEdition(view, title('x', 0, {}, 'corner-1'))).toBeNull();
});
