import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { jsonAnswer } from '../shared/forTest';
import { createDeskView, deskTitle, renderOnDesk } from './deskForTest';
import { EmptiedBar } from './EmptiedBar';

const EMPTIED = [{ titleId: 'b', fieldId: 'role', label: 'Role', words: 'Lockkeeper, Osier Reach' }];
const before = globalThis.fetch;
let asked: string[];
beforeEach(() => {
  asked = [];
  globalThis.fetch = (url, request) => {
    asked.push(`${request?.method} ${String(url)}`);
    return Promise.resolve(jsonAnswer(200, {}));
  };
});
afterEach(() => {
  globalThis.fetch = before;
});

function open() {
  const view = createDeskView({
    titles: [deskTitle('a', 0, { name: 'Ilse', role: 'Judge' }), deskTitle('b', 200, { name: 'Teo' })],
  });
  renderOnDesk(view, <EmptiedBar emptied={EMPTIED} />);
  return view.store;
}

test('lists the sample words that stood on titles, and leaves them empty', async () => {
  const store = open();
  expect(screen.getByRole('status')).toHaveTextContent('1 title showed sample words');
  await userEvent.click(screen.getByRole('button', { name: 'Show them' }));
  expect(screen.getByRole('dialog')).toHaveTextContent('Title 2RoleLockkeeper, Osier Reach');
  await userEvent.click(screen.getByRole('button', { name: 'Leave them empty' }));
  expect(screen.queryByRole('status')).toBeNull();
  expect(store.getState().titles[1].values).toEqual({ name: 'Teo' });
  expect(asked).toEqual([expect.stringMatching(/^DELETE \/api\/projects\/.+\/emptied$/)]);
});

test('types them where they are wanted after all', async () => {
  const store = open();
  await userEvent.click(screen.getByRole('button', { name: 'Show them' }));
  await userEvent.click(screen.getByRole('button', { name: 'Type them on these titles' }));
  expect(store.getState().titles.map(({ values }) => values)).toEqual([
    { name: 'Ilse', role: 'Judge' },
    { name: 'Teo', role: 'Lockkeeper, Osier Reach' },
  ]);
});
