import { beforeEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { newClip } from '@/core/model/project';
import type { Player } from '../picture/usePlayer';
import { Segmented } from '../shared/Segmented';
import type { DeskView } from './deskContext';
import { createDeskView, deskTitle, renderOnDesk } from './deskForTest';
import { DeskDialogs } from './dialogs/DeskDialogs';
import { setMarker } from './strip/StripTools';
import { useDeskKeys } from './useDeskKeys';

let view: DeskView;
let sought: number[];
let frame: number;

function Desk() {
  const player = {
    frame,
    playing: false,
    seek: (to: number) => void sought.push(to),
    toggle: () => void sought.push(-1),
  } as unknown as Player;
  useDeskKeys({ player, end: 600 });
  return (
    <>
      <input aria-label="Words" />
      <button type="button">Elsewhere</button>
      <Segmented
        label="Shown"
        value="card"
        onChange={() => undefined}
        choices={[
          { value: 'card', label: 'Card' },
          { value: 'proof', label: 'Proof' },
        ]}
      />
      <DeskDialogs frame={frame} />
    </>
  );
}

beforeEach(() => {
  sought = [];
  frame = 120;
  const plan = newPlan('wide-1080');
  const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
  view = createDeskView({
    titles: [deskTitle('a', 100, { name: 'Ilse' }), deskTitle('b', 400, { name: 'Teo' })],
    clips: [newClip({ id: 'weir', label: 'Weir', picture: '#102030', startFrame: 0, lengthFrames: 300 })],
    plan: { ...plan, deliveries: [...plan.deliveries, tall] },
    ui: { selection: ['a'] },
  });
  renderOnDesk(view, <Desk />);
});
const titles = (): readonly Title[] => view.store.getState().titles;
const keys = async (typed: string): Promise<void> => {
  await userEvent.keyboard(typed);
};
const focus = (element: HTMLElement): void => act(() => element.focus());

describe('the keys of the desk', () => {
  test('go by edges, frames and seconds, and play', async () => {
    await keys('[BracketRight]');
    fireEvent.keyDown(document.body, { key: ',', code: 'Comma' });
    fireEvent.keyDown(document.body, { key: '.', code: 'Period' });
    await keys(' ');
    // The end of the chosen title, a frame back, a frame on, play.
    expect(sought).toEqual([250, 119, 121, -1]);
  });

  test('mark a range, a marker, and cut', async () => {
    await keys('i');
    expect(view.ui.getState().range).toEqual({ startFrame: 120, lengthFrames: 480 });
    await keys('m');
    expect(view.store.getState().plan.markers).toMatchObject([{ frame: 120 }]);
    // The marker is gone to like an edge.
    act(() => setMarker(view.store, 180));
    await keys('[BracketRight]');
    expect(sought).toEqual([180]);
    await keys('c');
    expect(view.store.getState().clips).toHaveLength(2);
  });

  test('nudge the chosen titles by a frame, or a second with Shift', async () => {
    await keys('{ArrowRight}{Shift>}{ArrowRight}{/Shift}{ArrowLeft}');
    expect(titles()[0].startFrame).toBe(125);
    expect(titles()[1].startFrame).toBe(400);
  });

  test('duplicate, remove, go to the next delivery', async () => {
    await keys('d');
    expect(titles()).toHaveLength(3);
    await keys('{Delete}');
    expect(titles()).toHaveLength(2);
    await keys('f');
    expect(view.ui.getState().deliveryId).toBe('tall');
  });

  test('undo and redo, by Shift or by Y', async () => {
    const ids = (): string =>
      titles()
        .map(({ id }) => id)
        .join('');
    await keys('{Delete}');
    const seen = [ids()];
    for (const pressed of ['{Control>}z{/Control}', '{Control>}y{/Control}', '{Control>}z{/Control}']) {
      await keys(pressed);
      seen.push(ids());
    }
    await keys('{Control>}{Shift>}z{/Shift}{/Control}');
    expect([...seen, ids()]).toEqual(['b', 'ab', 'b', 'ab', 'b']);
  });

  test('a clip is removed when no title is chosen', async () => {
    view.ui.setState({ selection: [], clipId: 'weir' });
    await keys('{Backspace}');
    expect(view.store.getState().clips).toEqual([]);
  });

  test('none of them act while somebody types, save undo', async () => {
    await userEvent.type(screen.getByLabelText('Words'), 'dmfic{Delete}');
    expect(titles()).toHaveLength(2);
    await keys('{Escape}');
    focus(screen.getByRole('button', { name: 'Elsewhere' }));
    await keys('d');
    focus(screen.getByLabelText('Words'));
    await keys('{Control>}z{/Control}');
    expect(titles()).toHaveLength(2);
  });

  test('arrows that choose between two things do not nudge', async () => {
    focus(screen.getByRole('radio', { name: 'Card' }));
    await keys('{ArrowRight}');
    expect(titles()[0].startFrame).toBe(100);
  });

  test('Space presses a button that is focused, and does not play', async () => {
    focus(screen.getByRole('button', { name: 'Elsewhere' }));
    await keys(' ');
    expect(sought).toEqual([]);
  });
});

describe('while another screen lies over the desk', () => {
  test('its keys are its own: nothing behind it is removed, copied or undone', async () => {
    await keys('{Delete}');
    expect(titles()).toHaveLength(1);
    view.ui.setState({ selection: ['b'] });
    await keys('{Control>}f{/Control}');
    const find = await screen.findByLabelText('Find');
    await userEvent.type(find, 'Teo');
    fireEvent.keyDown(find, { key: 'z', code: 'KeyZ', ctrlKey: true });
    expect(titles()).toHaveLength(1);
    focus(screen.getByRole('button', { name: 'Cancel' }));
    await keys('d{Delete}{ArrowRight}');
    expect(titles()).toEqual([expect.objectContaining({ id: 'b', startFrame: 400 })]);
    await keys('{Escape}');
    expect(screen.queryByLabelText('Find')).toBeNull();
  });
});
