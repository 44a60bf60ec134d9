import { describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Title } from '@/core/model/project';
import { newClip } from '@/core/model/project';
import { AddTitle } from './AddTitle';
import type { DeskView } from './deskContext';
import { DeskProvider } from './deskContext';
import { createDeskView, renderOnDesk } from './deskForTest';
import type { DeskUi } from './deskUi';

const CLIPS = [
  newClip({ id: 'weir', label: 'Weir', picture: '#102030', startFrame: 0, lengthFrames: 300 }),
  newClip({ id: 'dusk', label: 'Dusk', picture: '#203040', startFrame: 300, lengthFrames: 300 }),
];

let view: DeskView;
const open = async (ui: Partial<DeskUi> = {}): Promise<void> => {
  view = createDeskView({ titles: [], clips: CLIPS, ui });
  renderOnDesk(view, <AddTitle frame={100} />);
  await userEvent.click(screen.getByRole('button', { name: 'Title' }));
};
const placed = (): readonly Title[] => view.store.getState().titles;
const where = (): HTMLElement => screen.getByLabelText('Where it goes');
const span = ({ startFrame, lengthFrames }: Title): number[] => [startFrame, startFrame + lengthFrames];

describe('adding a title', () => {
  test('goes to the playhead when nothing is chosen, with the template’s own length', async () => {
    await open();
    expect(where()).toHaveDisplayValue('At the playhead');
    await userEvent.click(screen.getByRole('button', { name: /^Opening lockup/ }));
    expect(placed()).toMatchObject([{ editionId: 'lockup-1', startFrame: 100 }]);
    expect(placed()[0].lengthFrames).toBeGreaterThan(25);
    expect(view.ui.getState().selection).toEqual([placed()[0].id]);
  });

  test('a few letters and Enter are enough; the newest edition is used', async () => {
    await open();
    await userEvent.type(screen.getByLabelText('Find a template'), 'tide{Enter}');
    expect(placed()).toMatchObject([{ editionId: 'strap-2' }]);
  });

  test('Enter before the shelf has come places what was meant as soon as it has; other letters take that back', async () => {
    const later = createDeskView({ titles: [], clips: CLIPS });
    const early = { ...later, editions: new Map(), newest: new Map(), isShelfHere: false };
    const drawn = renderOnDesk(early, <AddTitle frame={100} />);
    await userEvent.click(screen.getByRole('button', { name: 'Title' }));
    const box = screen.getByLabelText('Find a template');
    expect(screen.getByRole('status')).toHaveTextContent('Reading the shelf.');
    await userEvent.type(box, 'corner{Enter}');
    await userEvent.clear(box);
    await userEvent.type(box, 'tide{Enter}');
    expect(later.store.getState().titles).toEqual([]);
    drawn.rerender(
      <DeskProvider value={later}>
        <AddTitle frame={100} />
      </DeskProvider>,
    );
    expect(later.store.getState().titles).toMatchObject([{ editionId: 'strap-2' }]);
  });

  test.each([
    ['On “Dusk”, all of it', [300, 600]],
    ['At the playhead', [100, null]],
  ])('%s, when a clip is chosen', async (choice, [start, end]) => {
    await open({ clipId: 'dusk' });
    expect(where()).toHaveDisplayValue('On “Dusk”, all of it');
    await userEvent.selectOptions(where(), choice);
    await userEvent.click(screen.getByRole('button', { name: /^Tideline strap/ }));
    expect(span(placed()[0])[0]).toBe(start);
    if (end !== null) expect(span(placed()[0])[1]).toBe(end);
  });

  test('at the end of a clip it ends with it', async () => {
    await open({ clipId: 'weir' });
    await userEvent.selectOptions(where(), 'On “Weir”, at its end');
    await userEvent.click(screen.getByRole('button', { name: /^Tideline strap/ }));
    expect(span(placed()[0])[1]).toBe(300);
  });

  test('takes the marked range first', async () => {
    await open({ range: { startFrame: 40, lengthFrames: 77 } });
    expect(where()).toHaveDisplayValue('Over the marked range');
    await userEvent.click(screen.getByRole('button', { name: /^Tideline strap/ }));
    expect(span(placed()[0])).toEqual([40, 117]);
  });

  test('alone, it has a background of its own: later pictures move back, or are covered', async () => {
    await open();
    await userEvent.selectOptions(where(), 'Alone, later pictures move back');
    await userEvent.click(screen.getByRole('button', { name: /^Tideline strap/ }));
    const { clips } = view.store.getState();
    const total = clips.reduce((sum, { lengthFrames }) => sum + lengthFrames, 0);
    expect(total).toBe(600 + placed()[0].lengthFrames);
    view.store.temporal.getState().undo();
    expect(view.store.getState().clips).toEqual(CLIPS);
    expect(placed()).toEqual([]);
  });

  test('says when no template is called that', async () => {
    await open();
    await userEvent.type(screen.getByLabelText('Find a template'), 'ferry{Enter}');
    expect(screen.getByText('No template is called that.')).toBeInTheDocument();
    expect(placed()).toEqual([]);
  });
});
