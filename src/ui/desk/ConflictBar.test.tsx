import { beforeEach, expect, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPlan } from '@/core/model/plan';
import type { CellConflict } from '@/core/project/mergeWork';
import { ConflictBar } from './ConflictBar';
import type { DeskView } from './deskContext';
import { createDeskView, deskTitle, renderOnDesk } from './deskForTest';

let view: DeskView;
beforeEach(() => {
  const plan = newPlan('wide-1080');
  const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
  view = createDeskView({
    titles: [deskTitle('a', 0, { name: 'Ilse' }), deskTitle('b', 200, { name: 'Teo' })],
    plan: { ...plan, deliveries: [...plan.deliveries, tall] },
  });
  renderOnDesk(view, <ConflictBar />);
});
const conflict = (cell: string, mine: unknown, theirs: unknown): CellConflict => ({
  titleId: 'b',
  cell,
  mine,
  theirs,
});
const show = (...conflicts: CellConflict[]): void => act(() => view.store.setState({ conflicts }));

test('there is no bar without a conflict', () => {
  expect(screen.queryByRole('alert')).toBeNull();
});

test.each([
  [conflict('values.name', 'Teo', 'T. Vance'), 'Title 2, Name', 'Here “Teo”, there “T. Vance”'],
  [conflict('startFrame', 200, 225), 'Title 2, In', 'Here “00:00:08:00”, there “00:00:09:00”'],
  [conflict('lengthFrames', 150, 100), 'Duration', 'Here “06:00”, there “04:00”'],
  [conflict('lane', 0, 1), 'Lane', 'Here “1”, there “2”'],
  [
    conflict('editionId', 'strap-1', 'lockup-1'),
    'Template',
    'Here “Tideline strap 1”, there “Opening lockup 1”',
  ],
  [conflict('heldTo', 'clip', 'time'), 'Moves with its clip', 'Here “yes”, there “no”'],
  [
    conflict('scrim', null, { colour: '#000000', opacity: 0.4 }),
    'Scrim',
    'Here “none”, there “#000000, 0.4”',
  ],
  [conflict('values.role', undefined, 'Judge'), 'Role', 'Here “the template’s own”, there “Judge”'],
  [
    conflict('perDelivery.tall.values.role', 'J', undefined),
    'Role in Tall',
    'Here “J”, there “as in the others”',
  ],
  [conflict('perDelivery.tall.leftOut', true, undefined), 'Left out in Tall', 'Here “yes”, there “no”'],
])('%j is said in words', (one, cell, values) => {
  show(one);
  const bar = screen.getByRole('alert');
  expect(bar).toHaveTextContent(cell);
  expect(bar).toHaveTextContent(values);
});

test('what is chosen holds; the next conflict follows', async () => {
  show(conflict('values.name', 'Teo', 'T. Vance'), conflict('values.role', 'Judge', 'Rower'));
  expect(screen.getByRole('alert')).toHaveTextContent('1 more after this one.');
  await userEvent.click(screen.getByRole('button', { name: 'Take what is there' }));
  expect(view.store.getState().titles[1].values).toEqual({ name: 'T. Vance' });
  await userEvent.click(screen.getByRole('button', { name: 'Keep what is here' }));
  expect(view.store.getState().titles[1].values).toEqual({ name: 'T. Vance', role: 'Judge' });
  expect(screen.queryByRole('alert')).toBeNull();
});
