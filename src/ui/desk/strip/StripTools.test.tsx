import { beforeEach, describe, expect, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Clip, Title } from '@/core/model/project';
import { newClip } from '@/core/model/project';
import type { Player } from '../../picture/usePlayer';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { StripTools } from './StripTools';
import type { StripZoom } from './useStripZoom';

const CLIPS = [
  newClip({ id: 'weir', label: 'Weir', picture: '#102030', startFrame: 0, lengthFrames: 300 }),
  newClip({ id: 'dusk', label: 'Dusk', picture: '#203040', startFrame: 300, lengthFrames: 300 }),
];

let view: DeskView;
let zoomed: string[];
beforeEach(() => {
  zoomed = [];
  view = createDeskView({
    titles: [deskTitle('a', 0, { name: 'Ilse' }), deskTitle('b', 220, { name: 'Teo' })],
    clips: CLIPS,
  });
});
const draw = (frame: number): void => {
  const player = {
    frame,
    playing: false,
    seek: () => undefined,
    toggle: () => undefined,
  } as unknown as Player;
  const zoom = {
    zoomBy: (by: number) => zoomed.push(by > 1 ? 'in' : 'out'),
    fit: () => zoomed.push('fit'),
    atLeast: false,
    atMost: false,
  } as unknown as StripZoom;
  renderOnDesk(view, <StripTools player={player} zoom={zoom} />);
};
const button = (name: string): HTMLElement => screen.getByRole('button', { name });
const titles = (): readonly Title[] => view.store.getState().titles;
const clips = (): readonly Clip[] => view.store.getState().clips;

describe('the tools of the strip', () => {
  test('zoom, and snapping that can be switched off', async () => {
    draw(0);
    for (const name of ['Show less time', 'Show more time', 'Show everything'])
      await userEvent.click(button(name));
    expect(zoomed).toEqual(['in', 'out', 'fit']);
    expect(button('Snapping')).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(button('Snapping'));
    expect(view.ui.getState().snaps).toBe(false);
  });

  test('several titles are aligned by their starts or ends, and moved together', async () => {
    draw(0);
    expect(button('Align starts')).toBeDisabled();
    act(() => view.ui.setState({ selection: ['a', 'b'] }));
    await userEvent.click(button('Align starts'));
    expect(titles().map(({ startFrame }) => startFrame)).toEqual([0, 0]);
    act(() => view.store.temporal.getState().undo());
    await userEvent.click(button('Close gaps'));
    expect(titles().map(({ startFrame }) => startFrame)).toEqual([0, 150]);
  });

  test('a clip is cut at the playhead, and not at a cut', async () => {
    draw(120);
    await userEvent.click(button('Cut the clip at the playhead'));
    expect(clips().map(({ startFrame, lengthFrames }) => [startFrame, lengthFrames])).toEqual([
      [0, 120],
      [120, 180],
      [300, 300],
    ]);
    expect(clips()[1].sourceStartFrame).toBe(120);
  });

  test('the chosen clip is removed, and what follows comes forward', async () => {
    draw(300);
    expect(button('Cut the clip at the playhead')).toBeDisabled();
    expect(button('Remove the chosen clip')).toBeDisabled();
    act(() => view.ui.setState({ clipId: 'weir' }));
    await userEvent.click(button('Remove the chosen clip'));
    expect(clips().map(({ id, startFrame }) => [id, startFrame])).toEqual([['dusk', 0]]);
    expect(view.ui.getState().clipId).toBeNull();
  });

  test('a marker is set at the playhead, and taken away by doing it again', async () => {
    draw(75);
    await userEvent.click(button('Set a marker at the playhead'));
    expect(view.store.getState().plan.markers).toMatchObject([{ frame: 75, name: 'Marker 1' }]);
    await userEvent.click(button('Set a marker at the playhead'));
    expect(view.store.getState().plan.markers).toEqual([]);
  });

  test('the marked range says how long it is, and can be cleared', async () => {
    draw(0);
    act(() => view.ui.setState({ range: { startFrame: 10, lengthFrames: 60 } }));
    expect(screen.getByText('Range of 2.4 s')).toBeInTheDocument();
    await userEvent.click(button('Clear'));
    expect(view.ui.getState().range).toBeNull();
  });

  test('a stand-in is added behind the last clip, or shown in the chosen one instead', async () => {
    draw(75);
    await userEvent.click(button('Add a clip'));
    await userEvent.click(screen.getByRole('menuitem', { name: 'A plain background' }));
    expect(clips().at(-1)).toMatchObject({ label: 'Background', startFrame: 600, lengthFrames: 200 });
    act(() => view.ui.setState({ clipId: 'weir' }));
    await userEvent.click(button('Add a clip'));
    await userEvent.click(screen.getByRole('radio', { name: 'In the chosen one' }));
    await userEvent.click(screen.getByRole('menuitem', { name: /^Stand-in: Harbour/ }));
    expect(clips()).toHaveLength(3);
    expect(clips()[0]).toMatchObject({ id: 'weir', label: 'Harbour dusk', lengthFrames: 300 });
    expect(clips()[0].picture).not.toBe('#102030');
  });
});
