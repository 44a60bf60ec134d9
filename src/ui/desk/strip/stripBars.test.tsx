import { beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { heatBoard } from '../../../../demo/heatBoard';
import type { Clip, Title } from '@/core/model/project';
import { newClip } from '@/core/model/project';
import { useClips, useTitles } from '../deskContext';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { loadFontsForTest } from '../../fontsForTest';
import { StripClip } from './StripClip';
import { StripTitle } from './StripTitle';
import { StripProvider } from './stripView';

// A frame is two pixels wide.
const PX = 2;
let view: DeskView;
let lines: (number | null)[];

function Bars() {
  const titles = useTitles();
  const clips = useClips();
  const strip = {
    pxPerFrame: PX,
    playFrame: 1000,
    fromFrame: 0,
    toFrame: 5000,
    onSnap: (line: number | null) => void lines.push(line),
  };
  return (
    <StripProvider value={strip}>
      {titles.map((one) => (
        <StripTitle key={one.id} title={one} chosen={false} />
      ))}
      {clips.map((one) => (
        <StripClip key={one.id} clip={one} chosen={false} />
      ))}
    </StripProvider>
  );
}

// A page without layout has no bars to take hold of: they lie as they are drawn.
beforeAll(loadFontsForTest);

beforeAll(() => {
  HTMLElement.prototype.setPointerCapture = () => undefined;
  HTMLElement.prototype.getBoundingClientRect = function bounds(this: HTMLElement) {
    const [left, width] = [this.style.left, this.style.width].map((length) => Number.parseFloat(length) || 0);
    return {
      x: left,
      y: 0,
      left,
      top: 0,
      right: left + width,
      bottom: 30,
      width,
      height: 30,
      toJSON: () => '',
    };
  };
});

beforeEach(() => {
  lines = [];
  view = createDeskView({
    titles: [deskTitle('a', 100, { name: 'Ilse', role: 'Keeper' }), deskTitle('b', 420, { name: 'Teo' })],
    clips: [
      newClip({ id: 'weir', label: 'Weir', picture: '#102030', startFrame: 0, lengthFrames: 300 }),
      newClip({ id: 'dusk', label: 'Dusk', picture: '#203040', startFrame: 300, lengthFrames: 300 }),
    ],
  });
  renderOnDesk(view, <Bars />);
});
const title = (id: string): Title | undefined => view.store.getState().titles.find((one) => one.id === id);
const clips = (): readonly Clip[] => view.store.getState().clips;
const bar = (name: RegExp): HTMLElement => screen.getByRole('button', { name });
const take = (element: HTMLElement, x: number): void =>
  void fireEvent.pointerDown(element, { button: 0, clientX: x });
const to = (element: HTMLElement, x: number, more = {}): void =>
  void fireEvent.pointerMove(element, { clientX: x, ...more });
const leave = (element: HTMLElement): void => void fireEvent.pointerUp(element);

describe('a title on the strip', () => {
  test('is moved by its middle, stops at a cut, and is held off it with Alt', () => {
    const ilse = bar(/^Ilse/);
    take(ilse, 300);
    to(ilse, 300 + 52 * PX);
    // Its end comes within reach of the cut at frame 300.
    expect(title('a')).toMatchObject({ startFrame: 150, lengthFrames: 150 });
    expect(lines.at(-1)).toBe(300);
    to(ilse, 300 + 52 * PX, { altKey: true });
    expect(title('a')?.startFrame).toBe(152);
    leave(ilse);
    act(() => view.store.temporal.getState().undo());
    expect(title('a')?.startFrame).toBe(100);
  });

  test('does not stop anywhere while snapping is switched off', () => {
    view.ui.setState({ snaps: false });
    const ilse = bar(/^Ilse/);
    take(ilse, 300);
    to(ilse, 300 + 52 * PX);
    expect(title('a')?.startFrame).toBe(152);
  });

  test('is trimmed by an end, and says what is left of the time to read', async () => {
    const ilse = bar(/^Ilse/);
    take(ilse, 499);
    to(ilse, 499 - 100 * PX);
    expect(title('a')).toMatchObject({ startFrame: 100, lengthFrames: 50 });
    // The page knows the fonts, by which it measures, a moment after it is drawn.
    await waitFor(() => {
      to(ilse, 499 - 100 * PX);
      expect(screen.getByText(/^lasts 02:00 · reads in \d\.\d s · \d\.\d s short$/)).toBeInTheDocument();
    });
    leave(ilse);
    expect(screen.queryByText(/^lasts/)).toBeNull();
  });

  test('goes to another lane, and keeps what another desk types meanwhile', () => {
    const ilse = bar(/^Ilse/);
    take(ilse, 300);
    to(ilse, 310, { clientY: -40 });
    act(() =>
      view.store.rebase((work) => ({
        ...work,
        titles: work.titles.map((one) =>
          one.id === 'a' ? { ...one, values: { ...one.values, role: 'Pilot' } } : one,
        ),
      })),
    );
    to(bar(/^Ilse/), 320, { clientY: -40 });
    expect(title('a')).toMatchObject({ startFrame: 110, lane: 1, values: { name: 'Ilse', role: 'Pilot' } });
  });

  test('several chosen ones go as a block', () => {
    act(() => view.ui.setState({ selection: ['b'] }));
    fireEvent.pointerDown(bar(/^Ilse/), { button: 0, clientX: 300, shiftKey: true });
    expect(view.ui.getState().selection).toEqual(['a', 'b']);
  });
});

describe('a clip on the strip', () => {
  test('trimmed, what follows moves up, and titles go along', () => {
    const weir = bar(/^Clip Weir/);
    take(weir, 597);
    to(weir, 597 - 50 * PX);
    expect(clips().map(({ startFrame, lengthFrames }) => [startFrame, lengthFrames])).toEqual([
      [0, 250],
      [250, 300],
    ]);
    expect(title('b')?.startFrame).toBe(370);
    leave(weir);
    act(() => view.store.temporal.getState().undo());
    expect(title('b')?.startFrame).toBe(420);
  });

  test('back where it was taken hold of, everything is as it was', () => {
    const weir = bar(/^Clip Weir/);
    const before = view.store.getState();
    take(weir, 597);
    to(weir, 597 - 50 * PX);
    to(weir, 597);
    expect(clips()).toEqual(before.clips);
    expect(title('b')).toEqual(before.titles[1]);
  });

  test('dragged it goes elsewhere in the order; a hand that only presses moves nothing', () => {
    const dusk = bar(/^Clip Dusk/);
    take(dusk, 900);
    to(dusk, 904);
    expect(clips().map(({ id }) => id)).toEqual(['weir', 'dusk']);
    to(dusk, 900 - 300 * PX);
    expect(clips().map(({ id, startFrame }) => [id, startFrame])).toEqual([
      ['dusk', 0],
      ['weir', 300],
    ]);
    expect(title('b')?.startFrame).toBe(120);
  });

  test('keeps what another desk types meanwhile', () => {
    const weir = bar(/^Clip Weir/);
    take(weir, 597);
    to(weir, 597 - 10 * PX);
    act(() =>
      view.store.rebase((work) => ({
        ...work,
        titles: work.titles.map((one) => (one.id === 'b' ? { ...one, values: { name: 'Noor' } } : one)),
      })),
    );
    to(bar(/^Clip Weir/), 597 - 20 * PX);
    expect(title('b')).toMatchObject({ startFrame: 400, values: { name: 'Noor' } });
  });
});

describe('the rows of a list', () => {
  const rows = ['1\tHeron\t4:12', '2\tGudgeon\t4:13'];
  const moments = (): (number | null)[] | undefined =>
    title('heat')?.moments?.boats?.map(({ seconds }) => seconds);

  beforeEach(() => {
    const heat = {
      ...{ id: 'heat-1', templateId: 'heat', number: 1, document: heatBoard },
      releasedAt: '2026-11-25T00:00:00.000Z',
    };
    const list = {
      ...deskTitle('heat', 100, { heading: 'Heat', boats: rows.join('\n') }, 'heat-1'),
      lengthFrames: 400,
      moments: { boats: rows.map((row, i) => ({ row, seconds: i === 0 ? 2 : null })) },
    };
    cleanup();
    view = createDeskView({ titles: [list], editions: [heat] });
    renderOnDesk(view, <Bars />);
  });

  test('come where they are dragged to, the title stays, and one undo takes it back', () => {
    const second = screen.getByTestId('row-tick-2');
    take(second, 500);
    to(second, 500 + 10 * PX);
    to(second, 500 + 25 * PX);
    // It followed a second after the first, which comes two seconds into the title; now it is a second later.
    expect(moments()).toEqual([2, 4]);
    expect(title('heat')).toMatchObject({ startFrame: 100, lengthFrames: 400 });
    expect(screen.getByText('row 2 at 00:00:08:00')).toBeInTheDocument();
    leave(second);
    act(() => view.store.temporal.getState().undo());
    expect(moments()).toEqual([2, null]);
  });

  test('never come before the title or after it', () => {
    const first = screen.getByTestId('row-tick-1');
    take(first, 300);
    to(first, -900);
    expect(moments()?.[0]).toBe(0);
    to(first, 4000);
    expect(moments()?.[0]).toBe(399 / 25);
  });

  test('stay where they were heard when the title’s start is trimmed, and go along when it is moved', () => {
    const heat = bar(/^Heat/);
    take(heat, 201);
    to(heat, 201 + 25 * PX);
    leave(heat);
    expect(title('heat')).toMatchObject({ startFrame: 125, lengthFrames: 375 });
    expect(moments()).toEqual([1, null]);
    take(heat, 500);
    to(heat, 500 + 30 * PX);
    leave(heat);
    expect(title('heat')?.startFrame).toBe(155);
    expect(moments()).toEqual([1, null]);
  });
});
