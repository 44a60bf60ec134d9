import { beforeEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import { MASTER_ID, newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { newClip } from '@/core/model/project';
import type { DeskView } from '../deskContext';
import { DeskProvider } from '../deskContext';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { DeskDialogs } from './DeskDialogs';

type Dialog = ReturnType<DeskView['ui']['getState']>['dialog'];

let view: DeskView;
const titles = (): readonly Title[] => view.store.getState().titles;
const open = (dialog: Dialog, selection: readonly string[] = []): void => {
  view.ui.setState({ dialog, selection });
  renderOnDesk(view, <DeskDialogs frame={0} />);
};
const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });
const drop = (label: string, name: string, text: string): void => {
  const file = new File([text], name, { type: 'text/plain' });
  // A page without layout has no files that can be read.
  Object.assign(file, {
    text: () => Promise.resolve(text),
    arrayBuffer: () => Promise.resolve(Uint8Array.from(Buffer.from(text)).buffer),
  });
  fireEvent.change(screen.getByLabelText(label), { target: { files: [file] } });
};

// Lists that draw only what is seen ask for their box.
beforeEach(() => {
  for (const side of ['offsetHeight', 'clientHeight', 'offsetWidth', 'clientWidth'])
    Object.defineProperty(HTMLElement.prototype, side, { configurable: true, value: 600 });
  view = createDeskView({
    titles: [
      deskTitle('a', 0, { name: 'Ilse Marrow', role: 'Lockkeeper' }),
      deskTitle('b', 200, { name: 'Teo Vance', role: 'Sailmaker' }),
      deskTitle('c', 400, { place: 'Upper Weir' }, 'corner-1'),
    ],
  });
});

describe('fill from a sheet', () => {
  const paste = async (text: string): Promise<void> => {
    fireEvent.change(await screen.findByLabelText('Cells'), { target: { value: text } });
    await userEvent.click(button('Look at the rows'));
  };

  test('an example to begin from has a row of each template in use, then of others, and is read as it is', async () => {
    const given: Blob[] = [];
    URL.createObjectURL = (file) => (given.push(file as Blob), '#');
    URL.revokeObjectURL = () => undefined;
    open('fill');
    await userEvent.click(await screen.findByRole('button', { name: 'Save an example sheet' }));
    const text = await new Promise<string>((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(String(reader.result));
      reader.readAsText(given[0]);
    });
    expect(text.split(/\r?\n/)[0]).toMatch(/^.?In,Duration,Template,Name,Role,/);
    await paste(text);
    expect(await screen.findByText('3 rows are ready', { exact: false })).toBeInTheDocument();
    expect(screen.queryByText(/something wrong/)).toBeNull();
    const templates = text
      .trim()
      .split(/\r?\n/)
      .slice(1)
      .map((row) => row.split(',')[2]);
    expect(templates).toEqual(['Tideline strap', 'Place corner', 'Opening lockup']);
  });

  test('brings in what is right, keeps what is wrong to be corrected, and takes it once it is', async () => {
    open('fill');
    await paste('In\tName\tRole\n00:00:20:00\tNoor\tPilot\nsoon\tMira\tGlazier');
    expect(screen.getByText('1 row is ready', { exact: false })).toHaveTextContent(
      '1 row is ready, 1 has something wrong',
    );
    expect(screen.getByText(/^In: needs a time such as/)).toBeInTheDocument();
    await userEvent.click(button('Import 1 title'));
    expect(titles().map(({ values }) => values.name)).toContain('Noor');
    const time = screen.getByLabelText('In, row 1');
    await userEvent.clear(time);
    await userEvent.type(time, '30s');
    await userEvent.click(button('Import 1 title'));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(titles().find(({ values }) => values.name === 'Mira')).toMatchObject({
      startFrame: 750,
      editionId: 'strap-2',
    });
  });

  test('a column that was guessed wrongly can be said to be something else, or nothing', async () => {
    open('fill');
    await paste('In\tWho\tNotes\n0s\tNoor\tcall first');
    expect(screen.getByLabelText('What “Who” is')).toHaveDisplayValue('Name');
    await userEvent.selectOptions(screen.getByLabelText('What “Notes” is'), 'Role');
    await userEvent.selectOptions(screen.getByLabelText('What “Who” is'), 'not used');
    await userEvent.click(button('Import 1 title'));
    expect(titles().find(({ values }) => values.role === 'call first')?.values).toEqual({
      role: 'call first',
    });
  });

  test('what rows use is guessed once the shelf has come, not before', async () => {
    view.ui.setState({ dialog: 'fill' });
    const early = { ...view, editions: new Map(), newest: new Map(), isShelfHere: false };
    const drawn = renderOnDesk(early, <DeskDialogs frame={0} />);
    await paste('In\tName\tRole\n00:00:20:00\tNoor\tPilot');
    expect(await screen.findByText('Reading the shelf, then the rows are shown.')).toBeInTheDocument();
    drawn.rerender(
      <DeskProvider value={view}>
        <DeskDialogs frame={0} />
      </DeskProvider>,
    );
    expect(await screen.findByText('1 row is ready')).toBeInTheDocument();
    expect(screen.getByLabelText('Template of rows without one')).toHaveDisplayValue('Tideline strap');
  });

  test('a sheet put in again says what is new, changed, the same and gone, and takes what is ticked', async () => {
    open('fill');
    await paste(
      'In\tName\tRole\n00:01:00:00\tNoor\tPilot\n00:02:00:00\tMira\tGlazier\n00:03:00:00\tOde\tBell ringer',
    );
    await userEvent.click(button('Import 3 titles'));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(titles()).toHaveLength(6);
    act(() => view.ui.setState({ dialog: 'fill' }));
    await paste(
      'In\tName\tRole\n00:01:00:00\tNoor\tPilot\n00:02:00:00\tMira\tPainter\n00:04:00:00\tTeo\tUmpire',
    );
    expect(await screen.findByText('the same as before')).toBeInTheDocument();
    expect(screen.getByText('Role: Glazier → Painter', { exact: false })).toBeInTheDocument();
    const gone = screen.getByText(/^1 title of the last time is not in the sheet any more/);
    await userEvent.click(gone);
    await userEvent.click(screen.getByLabelText(/Tideline strap: Ode, Bell ringer/));
    await userEvent.click(screen.getByLabelText('Take row 3'));
    await userEvent.click(button('Change 1, remove 1'));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(titles()).toHaveLength(5);
    expect(titles().map(({ values }) => values.role)).toContain('Painter');
    expect(titles().map(({ values }) => values.name)).not.toContain('Ode');
    expect(titles().map(({ values }) => values.name)).not.toContain('Teo');
    act(() => view.store.temporal.getState().undo());
    expect(titles()).toHaveLength(6);
  });

  test.each([
    ['Name\tRole', /needs at least one row under the names of the columns/],
    ['   \n  ', null],
  ])('%j is no sheet: it says so and changes nothing', async (text, message) => {
    open('fill');
    fireEvent.change(await screen.findByLabelText('Cells'), { target: { value: text } });
    if (message === null) expect(button('Look at the rows')).toBeDisabled();
    else {
      await userEvent.click(button('Look at the rows'));
      expect(screen.getByRole('alert')).toHaveTextContent(message);
    }
    expect(titles()).toHaveLength(3);
  });

  test('a file is read as a pasted sheet is', async () => {
    open('fill');
    drop('Sheet file', 'guests.csv', 'In;Name;Role\n0s;Noor;"Pilot; second"');
    expect(await screen.findByDisplayValue('Pilot; second')).toBeInTheDocument();
    await userEvent.click(button('Back'));
    expect(screen.getByLabelText('Cells')).toBeInTheDocument();
  });
});

describe('find and replace', () => {
  test('shows each place before and after, leaves out what is unticked, and is one step to undo', async () => {
    open('find');
    await userEvent.type(screen.getByLabelText('Find'), 'ma');
    await userEvent.type(screen.getByLabelText('Replace with'), 'MA');
    const places = screen.getByRole('list', { name: 'Places found' });
    expect(within(places).getAllByRole('listitem')).toHaveLength(2);
    await userEvent.click(within(places).getAllByRole('checkbox')[0]);
    expect(screen.getByRole('status')).toHaveTextContent('1 of 2 places will be changed');
    await userEvent.click(button('Replace in 1 place'));
    expect(titles().map(({ values }) => values.name ?? values.place)).toEqual([
      'Ilse Marrow',
      'Teo Vance',
      'Upper Weir',
    ]);
    expect(titles()[1].values.role).toBe('SailMAker');
    view.store.temporal.getState().undo();
    expect(titles()[1].values.role).toBe('Sailmaker');
  });

  test('what would not go into its field is said and left as it is', async () => {
    open('find');
    await userEvent.type(screen.getByLabelText('Find'), 'Ilse');
    fireEvent.change(screen.getByLabelText('Replace with'), { target: { value: 'x'.repeat(50) } });
    expect(screen.getByText('left as it is: it takes at most 40 characters')).toBeInTheDocument();
    expect(button('Replace in 0 places')).toBeDisabled();
  });

  test('says when nothing has the words', async () => {
    open('find');
    await userEvent.type(screen.getByLabelText('Find'), 'ferry');
    expect(screen.getByText('Nothing here says that.')).toBeInTheDocument();
  });
});

describe('swap', () => {
  test('shows what goes where, takes another route when told, and keeps what has no field', async () => {
    open('swap', ['a']);
    await userEvent.selectOptions(screen.getByLabelText('Template'), 'Opening lockup');
    expect(screen.getByText('Every word finds a field.')).toBeInTheDocument();
    const line = screen.getByLabelText('Line under it gets');
    expect(line).toHaveDisplayValue('Role: Lockkeeper');
    expect(within(screen.getByLabelText('Plate colour gets')).getAllByRole('option')).toHaveLength(1);
    await userEvent.selectOptions(line, 'the template’s own');
    expect(screen.getByText('Role: Lockkeeper', { selector: 'td' })).toBeInTheDocument();
    expect(screen.getByText(/^One title keeps words without a field/)).toBeInTheDocument();
    await userEvent.click(button('Swap'));
    expect(titles()[0]).toMatchObject({
      editionId: 'lockup-1',
      values: { title: 'Ilse Marrow' },
      kept: [{ label: 'Role', value: 'Lockkeeper' }],
    });
    expect(view.ui.getState().dialog).toBeNull();
  });

  test('several titles go together, each with its own words', async () => {
    open('swap', ['a', 'b']);
    await userEvent.selectOptions(screen.getByLabelText('Template'), 'Opening lockup');
    await userEvent.click(button('Swap 2 titles'));
    expect(titles().map(({ values }) => values.title)).toEqual(['Ilse Marrow', 'Teo Vance', undefined]);
  });
});

describe('newer editions', () => {
  test('each title is kept or brought up to date by itself; the rest together', async () => {
    open('editions');
    const first = screen.getByRole('region', { name: 'Title 1' });
    await userEvent.click(within(first).getByRole('button', { name: 'Keep edition 1' }));
    expect(titles()[0]).toMatchObject({ keepsEdition: true, editionId: 'strap-1' });
    expect(screen.queryByRole('region', { name: 'Title 1' })).toBeNull();
    await userEvent.click(button('Bring the title up to date'));
    expect(titles()[1]).toMatchObject({ editionId: 'strap-2', values: { name: 'Teo Vance' } });
  });

  test('says when a word has no field in the new edition, and keeps it', async () => {
    const fields = tidelineStrap.fields.filter(({ id }) => id === 'name');
    const record = view.editions.get('strap-2');
    if (record === undefined) throw new Error('The strap has two editions');
    const shorter = { ...record, document: { ...tidelineStrap, fields } };
    const older = view.editions.get('strap-1') ?? record;
    view = createDeskView({ titles: titles().slice(0, 1), editions: [older, shorter] });
    open('editions');
    expect(
      screen.getByText('Role is gone from the template; “Lockkeeper” stays with the title.'),
    ).toBeVisible();
    await userEvent.click(button('Bring the title up to date'));
    expect(titles()[0].kept).toEqual([{ label: 'Role', value: 'Lockkeeper' }]);
  });

  test('says when there is nothing to do', () => {
    view = createDeskView({ titles: [] });
    open('editions');
    expect(screen.getByText(/^Every title uses the newest edition/)).toBeInTheDocument();
  });
});

describe('deliveries', () => {
  const deliveries = () => view.store.getState().plan.deliveries;

  test('one is added in a format that none has, named, changed and removed', async () => {
    open('deliveries');
    await userEvent.click(button('Add a delivery'));
    expect(new Set(deliveries().map(({ format }) => format)).size).toBe(2);
    const name = screen.getAllByLabelText(/^Name of/)[1];
    await userEvent.clear(name);
    expect(name).toHaveValue('');
    await userEvent.type(name, 'Tall');
    await userEvent.selectOptions(screen.getByLabelText('Format of Tall'), 'Tall 9:16, 1080 × 1920');
    await userEvent.click(screen.getAllByLabelText('Interlaced')[1]);
    expect(deliveries()[1]).toMatchObject({ name: 'Tall', format: 'tall-1080', interlaced: true });
    view.ui.setState({ deliveryId: deliveries()[1].id });
    await userEvent.click(button('Remove Tall'));
    expect(deliveries().map(({ id }) => id)).toEqual([MASTER_ID]);
    expect(view.ui.getState().deliveryId).toBe(MASTER_ID);
  });

  test('a name that is emptied and left is the old one again; the master cannot be removed', async () => {
    open('deliveries');
    const name = screen.getByLabelText('Name of Master');
    await userEvent.clear(name);
    await userEvent.tab();
    expect(name).toHaveValue('Master');
    expect(screen.queryByRole('button', { name: 'Remove Master' })).toBeNull();
  });
});

describe('cuts from a file', () => {
  const EDL = `TITLE: HEATS
FCM: NON-DROP FRAME

001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME: Lock gates
002  AX  V  C  00:00:00:00 00:00:03:00 01:00:04:00 01:00:07:00
* FROM CLIP NAME: Weir`;

  test('are shown first, then stand in place of the pictures; titles stay', async () => {
    const old = newClip({ id: 'old', picture: '#000000', startFrame: 0, lengthFrames: 100 });
    view = createDeskView({ titles: titles(), clips: [old], plan: newPlan('wide-1080') });
    open('cuts');
    drop('Cut list file', 'heats.edl', EDL);
    expect(await screen.findByText('“HEATS” has 2 clips and 0 markers.')).toBeInTheDocument();
    expect(screen.getByText(/^They take the place of the clips/)).toBeInTheDocument();
    await userEvent.click(button('Import 2 clips'));
    const { clips } = view.store.getState();
    expect(clips.map(({ label, startFrame, lengthFrames }) => [label, startFrame, lengthFrames])).toEqual([
      ['Lock gates', 0, 100],
      ['Weir', 100, 75],
    ]);
    expect(titles()).toHaveLength(3);
  });

  test('what is no cut list says so and changes nothing', async () => {
    open('cuts');
    drop('Cut list file', 'letter.txt', 'Dear editor, the cut is on its way.');
    expect(await screen.findByRole('alert')).toHaveTextContent('Nothing was changed.');
    expect(button('Import')).toBeDisabled();
  });
});
