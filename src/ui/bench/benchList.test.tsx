import { afterEach, describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { TemplateSummary } from '@/contract/templates';
import { jsonAnswer, renderScreen } from '../shared/forTest';
import { BenchList } from './BenchList';

const template = (name: string, more: Partial<TemplateSummary> = {}): TemplateSummary => ({
  id: name.toLowerCase().replaceAll(' ', '-'),
  revision: 1,
  releasedRevision: null,
  latestEdition: 0,
  name,
  kind: 'name-strap',
  production: '',
  folder: '',
  description: '',
  formats: ['wide-1080'],
  inSeconds: 1,
  holdSeconds: 4,
  outSeconds: 1,
  fieldCount: 1,
  words: '',
  ...more,
});
const names = (): string[] =>
  within(screen.getByRole('region', { name: 'Templates' }))
    .queryAllByRole('link')
    .map((link) => link.getAttribute('href') ?? '');

test('templates on the bench are found by words, kind and production, and put in order', async () => {
  const all = [
    template('Weir 10', { words: 'Lockkeeper' }),
    template('Weir 9', { kind: 'quote', production: 'Night Ferry' }),
    template('Alder line'),
  ];
  renderScreen('/bench', <BenchList templates={all} />);
  expect(names()).toEqual(['/bench/weir-10', '/bench/weir-9', '/bench/alder-line']);
  await userEvent.selectOptions(screen.getByLabelText('Order'), 'By name');
  expect(names()).toEqual(['/bench/alder-line', '/bench/weir-9', '/bench/weir-10']);
  await userEvent.type(screen.getByLabelText('Find a template, a field or a word'), 'weir lockk');
  expect(names()).toEqual(['/bench/weir-10']);
  await userEvent.type(screen.getByLabelText('Find a template, a field or a word'), 'zz');
  expect(screen.getByText('Nothing here says “weir lockkzz”.')).toBeInTheDocument();
  await userEvent.clear(screen.getByLabelText('Find a template, a field or a word'));
  await userEvent.click(screen.getByRole('button', { name: 'Night Ferry 1' }));
  expect(names()).toEqual(['/bench/weir-9']);
});

describe('folders', () => {
  const before = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = before;
  });
  const all = [
    template('Weir', { folder: 'News/Evening' }),
    template('Alder', { folder: 'News', kind: 'quote' }),
    template('Newsroom clock', { folder: 'Newsroom' }),
    template('Reed'),
  ];
  const asked: { path: string; body: unknown }[] = [];
  const answers = (status: number): void => {
    asked.length = 0;
    globalThis.fetch = (path, options) => {
      asked.push({ path: String(path), body: JSON.parse(String(options?.body)) });
      return Promise.resolve(
        jsonAnswer(status, status < 400 ? {} : { error: 'There is no template "reed".' }),
      );
    };
  };

  test('hold what lies in those within, count it, and are looked at together with a kind', async () => {
    renderScreen('/bench', <BenchList templates={all} />);
    await userEvent.click(screen.getByRole('button', { name: 'News 2' }));
    expect(names()).toEqual(['/bench/weir', '/bench/alder']);
    expect(screen.getByRole('button', { name: 'Quotes 1' })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Quotes 1' }));
    expect(names()).toEqual(['/bench/alder']);
    await userEvent.click(screen.getByRole('button', { name: 'All folders 4' }));
    await userEvent.click(screen.getByRole('button', { name: 'All 4' }));
    await userEvent.click(screen.getByRole('button', { name: 'News, Evening 1' }));
    expect(names()).toEqual(['/bench/weir']);
  });

  test('a template goes to a folder by its menu; a wrong name is told, and moves nothing', async () => {
    answers(200);
    renderScreen('/bench', <BenchList templates={all} />);
    await userEvent.click(screen.getByRole('button', { name: 'What to do with Reed' }));
    await userEvent.click(screen.getByRole('menuitem', { name: /^Move to folder/ }));
    const dialog = screen.getByRole('dialog', { name: 'Move “Reed”' });
    const move = within(dialog).getByRole('button', { name: 'Move' });
    expect(move).toBeDisabled();
    const box = within(dialog).getByLabelText('Folder');
    await userEvent.type(box, 'a/b/c/d/e/f');
    expect(within(dialog).getByRole('status')).toHaveTextContent('at most 5 folders in one another');
    expect(move).toBeDisabled();
    await userEvent.clear(box);
    await userEvent.type(box, ' News / Late {Enter}');
    expect(asked).toEqual([
      { path: '/api/templates/folder', body: { moves: [{ id: 'reed', folder: 'News/Late' }] } },
    ]);
    await waitFor(() => expect(screen.queryByRole('dialog')).not.toBeInTheDocument());
  });

  test('all that are found go together, and stay in the dialog where the server refuses', async () => {
    answers(404);
    renderScreen('/bench', <BenchList templates={all} />);
    expect(screen.queryByRole('button', { name: /^Move all/ })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'News 2' }));
    await userEvent.click(screen.getByRole('button', { name: 'Move all to a folder…' }));
    const dialog = screen.getByRole('dialog', { name: 'Move 2 templates' });
    const box = within(dialog).getByLabelText('Folder');
    // They are in two folders.
    expect(box).toHaveValue('');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Move' }));
    expect(asked.map(({ body }) => body)).toEqual([
      {
        moves: [
          { id: 'weir', folder: '' },
          { id: 'alder', folder: '' },
        ],
      },
    ]);
    expect(screen.getByRole('dialog')).toBeInTheDocument();
  });
});
