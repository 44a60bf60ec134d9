import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { TemplateSummary } from '@/contract/templates';
import { renderScreen } from '../shared/forTest';
import { BenchList } from './BenchList';

const template = (name: string, more: Partial<TemplateSummary> = {}): TemplateSummary => ({
  id: name.toLowerCase().replaceAll(' ', '-'),
  revision: 1,
  releasedRevision: null,
  latestEdition: 0,
  name,
  kind: 'name-strap',
  production: '',
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
