import { beforeEach, describe, expect, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Change } from '@/core/draft/change';
import { HistoryMenu } from './HistoryMenu';
import type { UndoHistory } from './undoHistory';
import { createUndoHistory } from './undoHistory';

interface State {
  readonly name: string;
  readonly count: number;
}

let state: State;
let history: UndoHistory<State>;

function put(next: State): void {
  const before = state;
  state = next;
  history.record(before, next);
}

const steps = (): number => history.temporal.getState().steps.past.length;
const undo = (): void => history.temporal.getState().undo();

beforeEach(() => {
  state = { name: '', count: 0 };
  history = createUndoHistory(
    () => state,
    (next) => (state = next),
  );
  render(
    <>
      <input aria-label="Name" onChange={(event) => put({ ...state, name: event.target.value })} />
      <button type="button" onClick={() => put({ ...state, count: state.count + 1 })}>
        More
      </button>
    </>,
  );
});

describe('what is one step of undo', () => {
  test('four quick taps are four steps', async () => {
    const more = screen.getByRole('button');
    for (let i = 0; i < 4; i++) await userEvent.click(more);
    expect([state.count, steps()]).toEqual([4, 4]);
    undo();
    expect(state.count).toBe(3);
  });

  test('a key that is held down is one', () => {
    const more = screen.getByRole('button');
    for (let i = 0; i < 5; i++) {
      fireEvent.keyDown(more, { key: 'ArrowUp', repeat: i > 0 });
      put({ ...state, count: state.count + 1 });
    }
    expect(steps()).toBe(1);
    undo();
    expect(state.count).toBe(0);
  });

  test('a word that is typed is one, however slowly, and the next word another', async () => {
    await userEvent.type(screen.getByRole('textbox'), 'Ilse Marrow');
    expect(state.name).toBe('Ilse Marrow');
    undo();
    expect(state.name).toBe('Ilse');
    undo();
    expect(state.name).toBe('');
  });

  test('typing in a box and pressing a button right after are two', async () => {
    await userEvent.type(screen.getByRole('textbox'), 'Ode');
    await userEvent.click(screen.getByRole('button'));
    undo();
    expect(state).toEqual({ name: 'Ode', count: 0 });
  });

  test('all of a drag is one, and what follows is not part of it', () => {
    history.grouping.begin();
    for (let i = 1; i <= 6; i++) put({ ...state, count: i });
    history.grouping.end();
    put({ ...state, count: 7 });
    expect(steps()).toBe(2);
    undo();
    expect(state.count).toBe(6);
    undo();
    expect(state.count).toBe(0);
  });

  test('after a step was taken back, what is done next begins a new one', async () => {
    const more = screen.getByRole('button');
    await userEvent.click(more);
    undo();
    put({ ...state, count: 10 });
    expect(steps()).toBe(1);
    undo();
    expect(state.count).toBe(0);
  });
});

describe('the list of steps', () => {
  test('goes back to a step and on again, and a new one ends what could be made again', async () => {
    const more = screen.getByRole('button', { name: 'More' });
    for (let i = 0; i < 3; i++) await userEvent.click(more);
    const say = (step: Change): string =>
      step.kind === 'parts' && step.parts.count.kind === 'value' ? `To ${String(step.parts.count.to)}` : '';
    render(<HistoryMenu history={history.temporal} say={say} />);
    const open = async (): Promise<string[]> => {
      await userEvent.click(screen.getByRole('button', { name: 'History' }));
      return screen.getAllByRole('menuitem').map(({ textContent }) => textContent);
    };
    expect(await open()).toEqual(['To 3now', 'To 2', 'To 1', 'Before all of these']);
    await userEvent.click(screen.getByRole('menuitem', { name: 'To 1' }));
    expect(state.count).toBe(1);
    expect(await open()).toEqual(['To 3', 'To 2', 'To 1now', 'Before all of these']);
    await userEvent.click(screen.getByRole('menuitem', { name: 'To 3' }));
    expect(state.count).toBe(3);
    await open();
    await userEvent.click(screen.getByRole('menuitem', { name: 'Before all of these' }));
    expect(state.count).toBe(0);
    await userEvent.click(more);
    expect(await open()).toEqual(['To 1now', 'Before all of these']);
  });
});
