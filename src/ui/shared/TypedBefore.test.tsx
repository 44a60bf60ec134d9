import { afterEach, beforeAll, beforeEach, expect, jest, test } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { TextEncoder } from 'node:util';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { LatePart, TypedBefore } from './TypedBefore';

const said = jest.fn();

/** A box that tells of what is typed at once and of what stands when it is left. */
function Box({ name, long = false }: { readonly name: string; readonly long?: boolean }) {
  const [words, setWords] = useState('as it was');
  const look = {
    'aria-label': name,
    value: words,
    onChange: ({ target }: { target: { value: string } }) => {
      said(name, target.value);
      setWords(target.value);
    },
    onBlur: () => said(name, 'left'),
  };
  return long ? <textarea {...look} /> : <input {...look} />;
}

function Tickable() {
  const [on, setOn] = useState(false);
  return (
    <input
      type="checkbox"
      aria-label="Loop"
      checked={on}
      onChange={({ target }) => {
        said('Loop', target.checked);
        setOn(target.checked);
      }}
    />
  );
}

function Chooser() {
  const [rate, setRate] = useState('25');
  return (
    <select
      aria-label="Rate"
      value={rate}
      onChange={({ target }) => (said('Rate', target.value), setRate(target.value))}
    >
      <option>25</option>
      <option>50</option>
    </select>
  );
}

function Page() {
  return (
    <main>
      <Box name="Name" />
      <Box name="Words" long />
      <Tickable />
      <Chooser />
      <LatePart>
        <Box name="Row" />
      </LatePart>
      <TypedBefore />
    </main>
  );
}

let renderToString: (page: ReactNode) => string;
beforeAll(async () => {
  // The server's half of React asks for what a server has; nothing here waits for a message.
  Object.assign(globalThis, {
    TextEncoder,
    MessageChannel: class {
      port1 = {};
      port2 = {};
    },
  });
  ({ renderToString } = await import('react-dom/server'));
});

/** The page as it comes from the server, before anybody listens. */
function arrive(): HTMLElement {
  const place = document.createElement('div');
  document.body.append(place);
  place.innerHTML = renderToString(<Page />);
  return place;
}

function type(name: string, words: string): void {
  const box = screen.getByLabelText<HTMLInputElement>(name);
  box.value = words;
  box.dispatchEvent(new Event('input', { bubbles: true }));
}

const wake = (place: HTMLElement): Promise<void> =>
  act(async () => {
    hydrateRoot(place, <Page />);
    await Promise.resolve();
  });

beforeEach(() => {
  delete document.documentElement.dataset.awake;
  said.mockReset();
  window.matchMedia = () => ({ matches: false }) as MediaQueryList;
  // As the browser does, before anything else.
  new Function(readFileSync('public/early.js', 'utf8'))();
});
afterEach(() => document.body.replaceChildren());

test('what is typed, ticked and chosen before a page is awake is heard once it is', async () => {
  const place = arrive();
  type('Name', 'Mira');
  type('Name', 'Mira Stott');
  type('Words', 'two\nlines');
  type('Row', '');
  screen.getByLabelText('Loop').click();
  type('Rate', '50');
  await wake(place);
  expect(said.mock.calls.filter(([, what]) => what !== 'left')).toEqual(
    expect.arrayContaining([
      ['Name', 'Mira Stott'],
      ['Words', 'two\nlines'],
      ['Row', ''],
      ['Loop', true],
      ['Rate', '50'],
    ]),
  );
  expect(screen.getByLabelText('Name')).toHaveValue('Mira Stott');
  expect(screen.getByLabelText('Words')).toHaveValue('two\nlines');
  expect(screen.getByLabelText('Row')).toHaveValue('');
  expect(screen.getByLabelText('Loop')).toBeChecked();
  expect(screen.getByLabelText('Rate')).toHaveValue('50');
});

test('a box that was left again is told so; one that is typed in keeps its caret', async () => {
  const place = arrive();
  type('Name', 'Mira');
  const row = screen.getByLabelText<HTMLInputElement>('Row');
  row.focus();
  type('Row', 'Harbour');
  row.setSelectionRange(2, 4);
  await wake(place);
  expect(said).toHaveBeenCalledWith('Name', 'left');
  expect(said).not.toHaveBeenCalledWith('Row', 'left');
  expect(row).toHaveFocus();
  await waitFor(() => expect([row.selectionStart, row.selectionEnd]).toEqual([2, 4]));
});

test('nothing is heard where nothing was typed, and what is typed later is heard once', async () => {
  await wake(arrive());
  expect(said).not.toHaveBeenCalled();
  expect(document.querySelector('[data-late]')).toBeNull();
  await act(async () => {
    const box = screen.getByLabelText<HTMLInputElement>('Row');
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(box, 'now');
    box.dispatchEvent(new Event('input', { bubbles: true }));
    await Promise.resolve();
  });
  expect(said.mock.calls).toEqual([['Row', 'now']]);
  expect(window.gilderTyped?.size).toBe(0);
});
