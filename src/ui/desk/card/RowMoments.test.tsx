import { beforeAll, beforeEach, expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toaster } from 'sonner';
import { heatBoard } from '../../../../demo/heatBoard';
import type { Title } from '@/core/model/project';
import { loadFontsForTest } from '../../fontsForTest';
import type { Player } from '../../picture/usePlayer';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { useDeskKeys } from '../useDeskKeys';
import { TitleCard } from './TitleCard';

beforeAll(loadFontsForTest);

const ROWS = '1\tHeron\t4:12\n2\tGudgeon\t4:13\n3\tLantern\t4:15';
const heat = {
  ...{ id: 'heat-1', templateId: 'heat', number: 1, document: heatBoard },
  releasedAt: '2026-11-25T00:00:00.000Z',
};
let view: DeskView;
let frame: number;

function Desk() {
  const player = { frame, playing: true, seek: () => undefined, toggle: () => undefined };
  useDeskKeys({ player: player as unknown as Player, end: 900 });
  return (
    <>
      <TitleCard frameNow={() => frame} />
      <Toaster />
    </>
  );
}
const title = (): Title => view.store.getState().titles[0];
const moments = (): (number | null)[] | undefined => title().moments?.boats?.map(({ seconds }) => seconds);
const at = (next: number): void => {
  frame = next;
  drawn.unmount();
  drawn = renderOnDesk(view, <Desk />);
};
let drawn: ReturnType<typeof renderOnDesk>;

beforeEach(() => {
  frame = 150;
  const list = { ...deskTitle('a', 100, { heading: 'Heat', boats: ROWS }, 'heat-1'), lengthFrames: 300 };
  view = createDeskView({ titles: [list], editions: [heat], ui: { selection: ['a'] } });
  drawn = renderOnDesk(view, <Desk />);
});

test('rows come in the rhythm of the template until somebody says when', async () => {
  expect(moments()).toBeUndefined();
  expect(screen.queryByLabelText('Row 1 comes after')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Evenly' }));
  // From 0.45 s, where the first row comes by design, over three quarters of the hold: 1.6 + 0.75 × (11.2 − 1.6).
  expect(moments()).toEqual([0.45, expect.closeTo(4.625, 6), expect.closeTo(8.8, 6)]);
  await userEvent.click(screen.getByRole('button', { name: 'As designed' }));
  expect(moments()).toEqual([]);
});

test('rows are tapped along by a key or a button, each where the playhead is', async () => {
  await userEvent.keyboard('r');
  expect(moments()).toEqual([2, null, null]);
  at(225);
  await userEvent.click(screen.getByRole('button', { name: 'Next row here' }));
  expect(moments()).toEqual([2, 5, null]);
  // Without a moment it follows in the rhythm of the others.
  expect(screen.getByLabelText('Row 3 comes after')).toHaveValue('8');
  at(99);
  await userEvent.keyboard('r');
  expect(screen.getByText('Put the playhead into the chosen title first.')).toBeInTheDocument();
  expect(moments()).toEqual([2, 5, null]);
  at(350);
  await userEvent.keyboard('rr');
  expect(moments()).toEqual([2, 5, 10]);
  expect(screen.getByText(/^Every row has its moment\./)).toBeInTheDocument();
  await userEvent.keyboard('{Control>}z{/Control}');
  expect(moments()).toEqual([2, 5, null]);
});

test('moments are typed, given free again, and go along with their rows', async () => {
  await userEvent.keyboard('r');
  const box = screen.getByLabelText('Row 2 comes after');
  await userEvent.clear(box);
  await userEvent.type(box, '6.5{Enter}');
  expect(moments()).toEqual([2, 6.5, null]);
  await userEvent.click(screen.getByRole('button', { name: 'Row 3 up' }));
  expect(title().values.boats).toBe('1\tHeron\t4:12\n3\tLantern\t4:15\n2\tGudgeon\t4:13');
  expect(moments()).toEqual([2, null, 6.5]);
  const list = screen.getByRole('region', { name: 'When Boats come' });
  await userEvent.click(within(list).getAllByRole('button', { name: 'Unset' })[0]);
  expect(moments()).toEqual([null, null, 6.5]);
});
