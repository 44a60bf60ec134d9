import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ProjectSummary } from '@/contract/projects';
import type { ShelfEntry } from '@/contract/templates';
import { openingLockup, placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Template } from '@/core/model/template';
import { listedOf } from '@/core/resolve/listed';
import { jsonAnswer, renderScreen } from '../shared/forTest';
import { ShelfScreen } from './ShelfScreen';

const entry = (templateId: string, document: Template, number: number, totalUses: number): ShelfEntry => ({
  id: `${templateId}-${number}`,
  templateId,
  number,
  folder: '',
  ...listedOf(document),
  releasedAt: '2026-11-03T08:00:00.000Z',
  totalUses,
});
const ENTRIES = [
  entry('strap', tidelineStrap, 3, 12),
  entry('corner', { ...placeCorner, production: 'Night Ferry' }, 1, 1),
  entry('lockup', { ...openingLockup, description: '' }, 2, 0),
];
const PROJECT = { id: 'regatta', name: 'Lantern Regatta, day two' } as ProjectSummary;

const before = globalThis.fetch;
beforeEach(() => {
  globalThis.fetch = () => new Promise(() => undefined);
});
afterEach(() => {
  globalThis.fetch = before;
});
const open = (entries = ENTRIES, projects: readonly ProjectSummary[] = [PROJECT]): readonly string[] =>
  renderScreen('/shelf', <ShelfScreen entries={entries} projects={projects} />);
const tiles = (): string[] =>
  within(screen.getByRole('region', { name: 'Templates' }))
    .queryAllByRole('button')
    .map((tile) => tile.textContent ?? '');
const find = (words: string): Promise<void> =>
  userEvent.type(screen.getByLabelText('Find a template, a field or a word'), words);

describe('the shelf', () => {
  test('has what was published last first', () => {
    const [strap, corner, lockup] = ENTRIES;
    open([strap, { ...corner, releasedAt: '2026-11-04T09:30:00.000Z' }, lockup]);
    expect(tiles().map((tile) => tile.slice(0, 12))).toEqual([
      'Place corner',
      'Tideline str',
      'Opening lock',
    ]);
    expect(screen.getByRole('complementary', { name: 'About Place corner' })).toBeInTheDocument();
  });

  test.each([
    ['lockup', 'About Opening lockup'],
    ['gone', 'About Tideline strap'],
  ])('begins with the one that is asked for, where it has that: %s', (first, about) => {
    renderScreen('/shelf', <ShelfScreen entries={ENTRIES} projects={[PROJECT]} first={first} />);
    expect(screen.getByRole('complementary', { name: about })).toBeInTheDocument();
  });

  test('has every released template with its edition, the first of them chosen', () => {
    open();
    expect(tiles()).toHaveLength(3);
    expect(tiles()[0]).toMatch(/Tideline strap3 fields · edition 3/);
    const about = screen.getByRole('complementary', { name: 'About Tideline strap' });
    expect(within(about).getByText('12 titles')).toBeInTheDocument();
    expect(within(about).getByText('3, published 3 November')).toBeInTheDocument();
  });

  test('finds templates by name, field or the words that they show, all of which must be there', async () => {
    open();
    await find('lockkeeper');
    expect(tiles()).toEqual([expect.stringContaining('Tideline strap')]);
    await userEvent.clear(screen.getByLabelText('Find a template, a field or a word'));
    await find('date place');
    expect(tiles()).toEqual([expect.stringContaining('Place corner')]);
    await find(' ferryboat');
    expect(tiles()).toEqual([]);
    expect(screen.getByText('Nothing here says “date place ferryboat”.')).toBeInTheDocument();
  });

  test('shows those of a kind or a production, with their numbers', async () => {
    open();
    const places = screen.getByRole('navigation', { name: 'Folders, kinds, productions and tags' });
    await userEvent.click(within(places).getByRole('button', { name: 'Night Ferry 1' }));
    expect(tiles()).toEqual([expect.stringContaining('Place corner')]);
    await userEvent.click(within(places).getByRole('button', { name: 'All 3' }));
    expect(tiles()).toHaveLength(3);
  });

  test('has the tags that there are, finds by them, and tells of them with the notes', async () => {
    const tagged = { ...placeCorner, tags: ['night', 'river'] };
    open([
      ENTRIES[0],
      entry('corner', tagged, 1, 1),
      entry('lockup', { ...openingLockup, tags: ['night'] }, 2, 0),
    ]);
    const places = screen.getByRole('navigation', { name: 'Folders, kinds, productions and tags' });
    await userEvent.click(within(places).getByRole('button', { name: 'night 2' }));
    expect(tiles()).toHaveLength(2);
    await userEvent.click(within(places).getByRole('button', { name: 'river 1' }));
    expect(tiles()).toEqual([expect.stringContaining('Place corner')]);
    await userEvent.click(screen.getByRole('button', { name: /^Place corner/ }));
    expect(screen.getByText('night, river')).toBeInTheDocument();
    await userEvent.click(within(places).getByRole('button', { name: 'All 3' }));
    await find('river');
    expect(tiles()).toEqual([expect.stringContaining('Place corner')]);
  });

  test('the one that is clicked is told about, with ways on to the bench and to projects', async () => {
    open();
    await userEvent.click(screen.getByRole('button', { name: /^Opening lockup/ }));
    const about = screen.getByRole('complementary', { name: 'About Opening lockup' });
    expect(within(about).getByText('No description yet.')).toBeInTheDocument();
    expect(within(about).getByRole('link', { name: 'Open on Bench' })).toHaveAttribute(
      'href',
      '/bench/lockup',
    );
    await userEvent.click(within(about).getByRole('button', { name: 'Place on a project' }));
    expect(screen.getByRole('menuitem', { name: PROJECT.name })).toHaveAttribute(
      'href',
      '/desk/regatta?place=lockup-2',
    );
  });

  test('says what to do when it is empty, or when there is no project yet', () => {
    open([]);
    expect(screen.getByText(/^The shelf is empty\. Start a template/)).toBeInTheDocument();
    open(ENTRIES, []);
    expect(screen.getByRole('link', { name: 'Start a project' })).toHaveAttribute('href', '/desk');
  });
});

describe('a new template', () => {
  const start = async (name: string): Promise<void> => {
    await userEvent.click(screen.getByRole('button', { name: 'New template' }));
    const dialog = screen.getByRole('dialog');
    if (name !== '') await userEvent.type(within(dialog).getByLabelText('Name'), name);
    await userEvent.selectOptions(within(dialog).getByLabelText('Format'), 'Tall 9:16, 1080 × 1920');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Start on the bench' }));
  };

  test('is started in a format and opened on the bench', async () => {
    const sent: unknown[] = [];
    globalThis.fetch = (url, request) => {
      if (!String(url).startsWith('/api/templates')) return new Promise(() => undefined);
      sent.push(JSON.parse(String(request?.body)));
      return Promise.resolve(jsonAnswer(201, { id: 'dock-line' }));
    };
    const visited = open();
    await start('  Dock line ');
    await waitFor(() => expect(visited).toEqual(['/bench/dock-line']));
    expect(sent).toMatchObject([{ name: 'Dock line', kind: 'name-strap', format: 'tall-1080', rate: '25' }]);
  });

  test('needs a name, and says what the server refuses', async () => {
    const visited = open();
    await start('');
    expect(screen.getByRole('alert')).toHaveTextContent('Give it a name first.');
    globalThis.fetch = (url) =>
      String(url).startsWith('/api/')
        ? Promise.resolve(jsonAnswer(400, { message: 'Name: needs at most 80 characters.' }))
        : new Promise(() => undefined);
    await userEvent.type(screen.getByLabelText('Name'), 'Dock line{Enter}');
    await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent('at most 80 characters'));
    expect(visited).toEqual([]);
  });

  test('begins as a copy of one that is there; a name that is taken is told before', async () => {
    const sent: unknown[] = [];
    globalThis.fetch = (url, request) => {
      if (!String(url).startsWith('/api/templates')) return new Promise(() => undefined);
      sent.push(JSON.parse(String(request?.body)));
      return Promise.resolve(jsonAnswer(201, { id: 'pier-line' }));
    };
    const [{ templateId, name }] = ENTRIES;
    const visited = open();
    await userEvent.click(screen.getByRole('button', { name: 'New template' }));
    const box = screen.getByLabelText('Name');
    await userEvent.type(box, ` ${name.toUpperCase()}`);
    expect(screen.getByText('There is a template of this name already.')).toBeInTheDocument();
    await userEvent.type(box, ' two');
    expect(screen.queryByText('There is a template of this name already.')).toBeNull();
    await userEvent.selectOptions(screen.getByLabelText('Begins with'), `A copy of “${name}”`);
    expect(screen.queryByLabelText('Format')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Start on the bench' }));
    await waitFor(() => expect(visited).toEqual(['/bench/pier-line']));
    expect(sent).toMatchObject([{ name: `${name.toUpperCase()} two`, copyOf: templateId }]);
  });
});
