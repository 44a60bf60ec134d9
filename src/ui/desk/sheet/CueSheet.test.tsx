import { beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Title } from '@/core/model/project';
import { withDeliveryChange } from '@/core/project/deliver';
import { DeskProvider, newerEdition } from '../deskContext';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle } from '../deskForTest';
import { CueSheet } from './CueSheet';
import { NO_FILTER } from './useSheetRows';

let view: DeskView;
let shown: string[];

const title = deskTitle;
const createView = (titles: readonly Title[]): DeskView => createDeskView({ titles });

function Desk({ filter = NO_FILTER }: { readonly filter?: typeof NO_FILTER }) {
  return (
    <DeskProvider value={view}>
      <CueSheet filter={filter} onShow={(id) => shown.push(id)} />
    </DeskProvider>
  );
}

// The sheet draws the rows that its box has room for; a page without layout has no boxes.
beforeAll(() => {
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, value: 500 });
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 900 });
  HTMLElement.prototype.scrollTo = () => undefined;
});

beforeEach(() => {
  shown = [];
  view = createView([
    title('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper' }),
    title('b', 200, { name: 'Teo Vance', role: 'Sailmaker' }),
    title('c', 400, { place: 'Upper Weir' }, 'corner-1'),
  ]);
});

const titles = (): readonly Title[] => view.store.getState().titles;
const row = (number: number): HTMLElement => screen.getAllByRole('row')[number];
const cell = (name: string): HTMLElement => screen.getByRole('gridcell', { name: new RegExp(`^${name}: `) });
const press = (element: HTMLElement, init = {}): void => {
  fireEvent.pointerDown(element, { button: 0, buttons: 1, ...init });
  fireEvent.pointerUp(element);
};
const paste = (text: string): void => {
  fireEvent.paste(document.activeElement ?? document.body, { clipboardData: { getData: () => text } });
};
const copied = (): string => {
  let text = '';
  fireEvent.copy(document.activeElement ?? document.body, {
    clipboardData: { setData: (_: string, value: string) => (text = value) },
  });
  return text;
};

describe('the cue sheet', () => {
  test('shows a title a row, and nothing where nothing was typed', () => {
    render(<Desk />);
    expect(cell('In, row 2')).toHaveTextContent('00:00:08:00');
    expect(cell('Duration, row 2')).toHaveTextContent('06:00');
    expect(cell('Name, row 2')).toHaveTextContent('Teo Vance');
    expect(screen.queryByText(/low water/)).toBeNull();
  });

  test('a cell that is gone to takes letters at once, and Escape takes them back', async () => {
    render(<Desk />);
    press(cell('Name, row 1'));
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
    await userEvent.keyboard('Noor');
    expect(titles()[0].values).toEqual({ name: 'Noor', role: 'Lockkeeper' });
    await userEvent.keyboard('{Escape}');
    expect(titles()[0].values.name).toBe('Ilse Marrow');
    expect(shown).toEqual(['a']);
  });

  test('Tab, Enter and the arrows go from cell to cell, and choose the title', async () => {
    render(<Desk />);
    press(cell('Name, row 1'));
    // Enter edits, and once more goes on to the row below.
    await userEvent.keyboard('{Enter}');
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
    await userEvent.keyboard('{Enter}');
    expect(screen.getByLabelText('Name, row 2')).toHaveFocus();
    expect(view.ui.getState().selection).toEqual(['b']);
    await userEvent.keyboard('{Tab}');
    expect(screen.getByLabelText('Role, row 2')).toHaveFocus();
    await userEvent.keyboard('{Tab}');
    expect(screen.getByLabelText('In, row 3')).toHaveFocus();
    await userEvent.keyboard('{Shift>}{Tab}{/Shift}{ArrowUp}{ArrowLeft}');
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
    expect(row(1)).toHaveAttribute('aria-selected', 'true');
  });

  test('Escape takes back what was typed, and once more gives the keys back to the strip', async () => {
    render(<Desk />);
    press(cell('Name, row 1'));
    await userEvent.keyboard('{Enter} Stott');
    expect(titles()[0].values.name).toMatch(/ Stott$/);
    await userEvent.keyboard('{Escape}');
    expect(titles()[0].values.name).not.toMatch(/Stott/);
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
    await userEvent.keyboard('{Escape}');
    expect(document.body).toHaveFocus();
  });

  test('Ctrl A chooses the words of the cell, and Delete takes away no titles', async () => {
    render(<Desk />);
    press(cell('Name, row 1'));
    const many = titles().length;
    await userEvent.keyboard('{Control>}a{/Control}{Delete}');
    expect(titles()).toHaveLength(many);
    expect(view.ui.getState().selection).toEqual(['a']);
    expect(titles()[0].values.name).toBe('');
  });

  test('a cell of several lines keeps its breaks, and Alt Enter makes one', async () => {
    view = createView([title('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper\nand ferryman' })]);
    render(<Desk />);
    expect(cell('Role, row 1')).toHaveTextContent('Lockkeeper · and ferryman');
    press(cell('Role, row 1'));
    await userEvent.keyboard('{F2}!');
    expect(titles()[0].values.role).toBe('Lockkeeper\nand ferryman!');
    await userEvent.keyboard('{Alt>}{Enter}{/Alt}at dusk');
    expect(titles()[0].values.role).toBe('Lockkeeper\nand ferryman!\nat dusk');
    await userEvent.keyboard('{Escape}');
    expect(titles()[0].values.role).toBe('Lockkeeper\nand ferryman');
    press(cell('Name, row 1'));
    await userEvent.keyboard('{Alt>}{Enter}{/Alt}');
    expect(screen.getByLabelText('Name, row 1')).toHaveFocus();
    expect(titles()[0].values.name).toBe('Ilse Marrow');
  });

  test('words that the shown delivery says otherwise are marked', () => {
    const own = title('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper' });
    view = createView([withDeliveryChange(own, 'tall', { values: { role: 'Keeper' } })]);
    const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
    act(() => {
      view.store.getState().applyWork((work) => ({
        ...work,
        plan: { ...work.plan, deliveries: [...work.plan.deliveries, tall] },
      }));
    });
    render(<Desk />);
    expect(screen.queryByRole('img')).toBeNull();
    act(() => view.ui.setState({ deliveryId: 'tall' }));
    expect(within(cell('Role, row 1')).getByRole('img')).toHaveAccessibleName('In Tall: “Keeper”');
  });

  test('a time is taken on Enter, and the row goes where it belongs', async () => {
    render(<Desk />);
    press(cell('In, row 1'));
    await userEvent.keyboard('10s{Enter}');
    expect(titles().map((one) => [one.id, one.startFrame])).toEqual([
      ['b', 200],
      ['a', 250],
      ['c', 400],
    ]);
  });

  test.each([
    ['soon', /Needs a time such as/],
    ['1f', /Needs at least 2 frames, found "1f"/],
    ['00:00:00:30', /Needs frames below 25/],
  ])('a length of “%s” stays as typed, says what is wrong and changes nothing', async (typed, message) => {
    render(<Desk />);
    press(cell('Duration, row 1'));
    await userEvent.keyboard(`${typed}{Enter}`);
    const lasts = screen.getByLabelText('Duration, row 1');
    expect(screen.getByRole('alert')).toHaveTextContent(message);
    expect(lasts).toHaveValue(typed);
    expect(lasts).toHaveFocus();
    expect(titles()[0].lengthFrames).toBe(150);
    await userEvent.keyboard('{Escape}');
    expect(lasts).toHaveValue('06:00');
  });

  test('another template keeps the words by what they mean; the swap screen opens when one has no field', async () => {
    render(<Desk />);
    press(cell('Template, row 1'));
    await userEvent.selectOptions(screen.getByLabelText('Template, row 1'), 'Opening lockup');
    expect(titles()[0]).toMatchObject({
      editionId: 'lockup-1',
      values: { title: 'Ilse Marrow', line: 'Lockkeeper' },
      kept: [],
    });
    act(() =>
      view.store
        .getState()
        .apply((now) =>
          now.map((one) => (one.id === 'b' ? { ...one, kept: [{ label: 'Motto', value: 'Steady' }] } : one)),
        ),
    );
    press(cell('Template, row 2'));
    await userEvent.selectOptions(screen.getByLabelText('Template, row 2'), 'Place corner');
    expect(titles()[1].editionId).toBe('strap-1');
    expect(view.ui.getState()).toMatchObject({ dialog: 'swap', swapTo: 'corner', selection: ['b'] });
  });

  test('finds rows by template and by word', () => {
    const { rerender } = render(<Desk filter={{ ...NO_FILTER, words: 'sail' }} />);
    expect(screen.getAllByRole('row')).toHaveLength(2);
    rerender(<Desk filter={{ ...NO_FILTER, template: 'Place corner' }} />);
    expect(screen.getByRole('columnheader', { name: 'Date or tide' })).toBeInTheDocument();
    expect(cell('Place, row 1')).toHaveTextContent('Upper Weir');
    rerender(<Desk filter={{ ...NO_FILTER, words: 'ferry' }} />);
    expect(screen.getByText('No title says “ferry”.')).toBeInTheDocument();
  });

  test('sorts by a column, the other way round, and by time again', async () => {
    render(<Desk />);
    const names = (): string[] =>
      [1, 2, 3].map((number) => within(row(number)).getAllByRole('gridcell')[3].textContent ?? '');
    const head = screen.getByRole('button', { name: 'Name / Place' });
    await userEvent.click(head);
    await userEvent.click(head);
    expect(names()).toEqual(['Upper Weir', 'Teo Vance', 'Ilse Marrow']);
    expect(screen.getByRole('columnheader', { name: 'Name / Place' })).toHaveAttribute(
      'aria-sort',
      'descending',
    );
    await userEvent.click(head);
    expect(names()).toEqual(['Ilse Marrow', 'Teo Vance', 'Upper Weir']);
  });

  test('makes titles of what is pasted below the last row, one after another, and undo takes them away', async () => {
    view = createView([title('a', 0, { name: 'Ilse' })]);
    render(<Desk />);
    press(cell('Name, row 1'));
    paste('Noor\tPilot\nMira\tGlazier\nOde\tRinger');
    expect(titles().map(({ values }) => [values.name, values.role])).toEqual([
      ['Noor', 'Pilot'],
      ['Mira', 'Glazier'],
      ['Ode', 'Ringer'],
    ]);
    const [first, second, third] = titles();
    expect(second.startFrame).toBe(first.startFrame + first.lengthFrames);
    expect(third.startFrame).toBe(second.startFrame + second.lengthFrames);
    act(() => view.store.temporal.getState().undo());
    expect(titles().map(({ values }) => values.name)).toEqual(['Ilse']);
  });

  test('copies a block of cells as a spreadsheet has it, and pastes one', async () => {
    render(<Desk />);
    press(cell('Name, row 1'));
    press(cell('Role, row 2'), { shiftKey: true });
    expect(copied()).toBe('Ilse Marrow\tLockkeeper\nTeo Vance\tSailmaker');
    press(cell('Name, row 1'));
    paste('Noor Halloran\tTide pilot\nMira Stott\tGlazier');
    expect(titles().map(({ values }) => values)).toMatchObject([
      { name: 'Noor Halloran', role: 'Tide pilot' },
      { name: 'Mira Stott', role: 'Glazier' },
      { place: 'Upper Weir' },
    ]);
    act(() => view.store.temporal.getState().undo());
    expect(titles()[1].values.name).toBe('Teo Vance');
  });

  test('one text goes into all chosen cells; Delete clears them; Ctrl D fills down', async () => {
    render(<Desk />);
    press(cell('Role, row 1'));
    press(cell('Role, row 2'), { shiftKey: true });
    paste('Judge');
    expect(titles().map(({ values }) => values.role)).toEqual(['Judge', 'Judge', undefined]);
    await userEvent.keyboard('{Delete}');
    expect(titles().map(({ values }) => values.role)).toEqual(['', '', undefined]);
    press(cell('Name, row 1'));
    press(cell('Name, row 2'), { shiftKey: true });
    await userEvent.keyboard('{Control>}d{/Control}');
    expect(titles()[1].values.name).toBe('Ilse Marrow');
    expect(view.ui.getState().selection).toEqual(['b', 'a']);
  });

  test('an empty sheet says what goes here', () => {
    view = createView([]);
    render(<Desk />);
    expect(screen.getByText(/No titles yet/)).toBeInTheDocument();
  });

  test('undo takes back what was typed', async () => {
    jest.useFakeTimers({ advanceTimers: true });
    render(<Desk />);
    jest.advanceTimersByTime(2000);
    press(cell('Name, row 1'));
    await userEvent.keyboard('Ode');
    expect(titles()[0].values.name).toBe('Ode');
    act(() => view.store.temporal.getState().undo());
    expect(screen.getByLabelText('Name, row 1')).toHaveValue('Ilse Marrow');
    jest.useRealTimers();
  });

  test('thousands of titles are drawn only as far as they are seen', () => {
    view = createView(Array.from({ length: 3000 }, (_, i) => title(`t${i}`, i * 200, { name: `Name ${i}` })));
    render(<Desk />);
    expect(screen.getByRole('grid')).toHaveAttribute('aria-rowcount', '3001');
    expect(screen.getAllByRole('row').length).toBeLessThan(40);
  });
});

test('a title knows whether its template has a newer edition', () => {
  expect(newerEdition(view, title('x', 0, {}))?.number).toBe(2);
  expect(newerEdition(view, title('x', 0, {}, 'strap-2'))).toBeNull();
  expect(newerEdition(view, title('x', 0, {}, 'corner-1'))).toBeNull();
  expect(newerEdition(view, { ...title('x', 0, {}), keepsEdition: true })).toBeNull();
});
