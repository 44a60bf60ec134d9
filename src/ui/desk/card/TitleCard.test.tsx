import { beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toaster } from 'sonner';
import { newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { withDeliveryChange } from '@/core/project/deliver';
import type { DeskView } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { loadFontsForTest } from '../../fontsForTest';
import { TitleCard } from './TitleCard';

beforeAll(loadFontsForTest);

const TALL = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
const PLAN = { ...newPlan('wide-1080'), deliveries: [...newPlan('wide-1080').deliveries, TALL] };

let view: DeskView;
const titles = (): readonly Title[] => view.store.getState().titles;
const open = (list: readonly Title[], selection: readonly string[], deliveryId = 'master'): void => {
  view = createDeskView({ titles: list, plan: PLAN, ui: { selection, deliveryId } });
  renderOnDesk(view, <TitleCard frameNow={() => 0} />);
};
const type = async (label: string, words: string): Promise<void> => {
  const box = screen.getByLabelText(label);
  await userEvent.clear(box);
  await userEvent.type(box, words);
};

let a: Title;
let b: Title;
beforeEach(() => {
  a = deskTitle('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper' });
  b = deskTitle('b', 200, { name: 'Teo Vance', role: 'Sailmaker' });
});

describe('the card', () => {
  test('says what to do when nothing is chosen', () => {
    open([a], []);
    expect(screen.getByText(/^Pick a title in the sheet/)).toBeInTheDocument();
  });

  test('fills the fields of several titles at once, whatever their templates call them inside', async () => {
    open([a, b, deskTitle('c', 400, { place: 'Weir' }, 'corner-1')], ['a', 'b', 'c']);
    expect(screen.getByRole('heading')).toHaveTextContent('3 titles');
    await type('Role', 'Judge');
    expect(titles().map(({ values }) => values.role)).toEqual(['Judge', 'Judge', undefined]);
  });

  test('shows of several titles only what all share, and changes only what is typed', async () => {
    const [one, two] = [
      { ...a, values: { ...a.values, role: 'Judge' }, lengthFrames: 100 },
      { ...b, values: { ...b.values, role: 'Judge' } },
    ];
    open([one, two], ['a', 'b']);
    expect(screen.getByLabelText('Name')).toHaveValue('');
    expect(screen.getByLabelText('Name')).toHaveAttribute('placeholder', 'several');
    expect(screen.getByLabelText('Role')).toHaveValue('Judge');
    expect(screen.getByLabelText('Duration, in seconds')).toHaveValue('');
    // Going through the boxes changes nothing.
    screen.getByLabelText('Name').focus();
    for (let i = 0; i < 8; i++) await userEvent.tab();
    expect(titles()).toEqual([one, two]);
    await type('Role', 'Umpire');
    expect(titles().map(({ values }) => [values.name, values.role])).toEqual([
      ['Ilse Marrow', 'Umpire'],
      ['Teo Vance', 'Umpire'],
    ]);
  });

  test('takes several titles away with undo at hand', async () => {
    open([a, b], ['a', 'b']);
    render(<Toaster />);
    await userEvent.click(screen.getByRole('button', { name: 'Remove these titles' }));
    expect(titles()).toEqual([]);
    expect(await screen.findByText('2 titles were removed.')).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(titles()).toHaveLength(2);
  });

  test('says that a limit was kept where it was typed', async () => {
    open([a], ['a']);
    const box = screen.getByLabelText('Fades in, in frames');
    await userEvent.clear(box);
    await userEvent.type(box, '9000{Enter}');
    expect(screen.getByText('5000 f is the most')).toBeInTheDocument();
    await userEvent.clear(box);
    await userEvent.type(box, '12');
    expect(screen.queryByText('5000 f is the most')).toBeNull();
  });

  test('duplicates with the words selected, and removes', async () => {
    open([a, b], ['a']);
    await userEvent.click(screen.getByRole('button', { name: 'Duplicate' }));
    expect(titles()).toHaveLength(3);
    expect(view.ui.getState().goTo).toMatchObject({ column: 'words' });
    await userEvent.click(screen.getByRole('button', { name: 'Remove this title' }));
    expect(titles()).toHaveLength(2);
    expect(view.ui.getState().selection).toEqual([]);
  });

  test('takes a length in seconds or frames, says when it is too short, and lengthens it', async () => {
    open([a], ['a']);
    await type('Duration, in seconds', '40f{Enter}');
    expect(titles()[0].lengthFrames).toBe(40);
    expect(await screen.findByText(/^reads in \d\.\d s, fully visible for \d\.\d$/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Lengthen' }));
    expect(screen.getByText(/^reads in \d\.\d s$/)).toBeInTheDocument();
    await type('Fades in, in frames', '12{Enter}');
    expect(titles()[0].fadeInFrames).toBe(12);
  });

  test('shows words that have no field, and a way to put them somewhere', async () => {
    open([{ ...a, kept: [{ label: 'Motto', value: 'Steady' }] }], ['a']);
    expect(screen.getByText('Steady')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Put them somewhere' }));
    expect(view.ui.getState().dialog).toBe('swap');
  });

  test('a moved title goes back to its place, and a scrim is taken away', async () => {
    open([{ ...a, shift: { dxU: 20, dyU: -40 }, scrim: { colour: '#000000', opacity: 0.4 } }], ['a']);
    expect(screen.getByLabelText('Moved across')).toHaveValue('20');
    expect(screen.getByLabelText('Moved down')).toHaveValue('-40');
    expect(screen.getByText('dark, 40 %')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Back' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take away' }));
    expect(titles()[0]).toMatchObject({ shift: null, scrim: null });
  });

  test('keeps its edition and its time when told to', async () => {
    open([a], ['a']);
    await userEvent.click(screen.getByRole('switch', { name: 'Keeps its edition' }));
    await userEvent.click(screen.getByRole('switch', { name: 'Moves with its clip' }));
    expect(titles()[0]).toMatchObject({ keepsEdition: true, heldTo: 'time' });
  });
});

describe('the card in one of several deliveries', () => {
  test('changes words there alone, says so, and puts them back', async () => {
    open([a], ['a'], 'tall');
    await userEvent.click(screen.getByRole('radio', { name: 'Only in Tall' }));
    await type('Role', 'Keeper');
    expect(titles()[0].values.role).toBe('Lockkeeper');
    expect(titles()[0].perDelivery.tall.values).toEqual({ role: 'Keeper' });
    expect(screen.getByText(/^One field is otherwise in Tall\./)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'As in the others' }));
    expect(titles()[0].perDelivery).toEqual({});
    expect(screen.getByLabelText('Role')).toHaveValue('Lockkeeper');
  });

  test('typed for every delivery, words are seen in this one too', async () => {
    open([withDeliveryChange(a, 'tall', { values: { role: 'Keeper' } })], ['a'], 'tall');
    expect(screen.getByLabelText('Role')).toHaveValue('Keeper');
    await type('Role', 'Pilot');
    expect(screen.getByLabelText('Role')).toHaveValue('Pilot');
    expect(titles()[0]).toMatchObject({ values: { role: 'Pilot' }, perDelivery: {} });
  });

  test('the time to read is that of the words shown', async () => {
    const long = 'Keeper of the upper lock, and of the lower';
    open([{ ...withDeliveryChange(a, 'tall', { values: { role: long } }), lengthFrames: 90 }], ['a'], 'tall');
    const inTall = (await screen.findByText(/^reads in/)).textContent;
    act(() => view.ui.setState({ deliveryId: 'master' }));
    expect((await screen.findByText(/^reads in/)).textContent).not.toBe(inTall);
  });

  test('leaves a title out', async () => {
    open([a], ['a'], 'tall');
    await userEvent.click(screen.getByRole('switch', { name: 'Left out of Tall' }));
    expect(titles()[0].perDelivery.tall.leftOut).toBe(true);
  });
});
