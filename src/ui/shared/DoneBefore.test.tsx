import { afterEach, beforeAll, beforeEach, expect, jest, test } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { TextEncoder } from 'node:util';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { LatePart, DoneBefore } from './DoneBefore';

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

/** A button that counts its clicks, a cell that hears the pointer go down, and a link that goes by itself. */
function Rows({ name }: { readonly name: string }) {
  return (
    <div role="grid">
      <button type="button" onClick={({ shiftKey }) => said(name, 'chosen', shiftKey)}>
        <span>{`Choose of ${name}`}</span>
      </button>
      <div role="gridcell" onPointerDown={() => said(name, 'cell')}>{`Cell of ${name}`}</div>
      <div role="gridcell">
        <a href="#there" onClick={() => said(name, 'link')}>{`Link of ${name}`}</a>
      </div>
    </div>
  );
}

function Page() {
  return (
    <main>
      <Box name="Name" />
      <Box name="Words" long />
      <Tickable />
      <Chooser />
      <Rows name="Titles" />
      <LatePart>
        <Box name="Row" />
        <Rows name="Captions" />
      </LatePart>
      <DoneBefore />
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
  window.matchMedia = () => ({ matches: false }) as MediaQueryList;
  // As the browser does, before anything else.
  new Function(readFileSync('public/early.js', 'utf8'))();
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

const wake = async (place: HTMLElement): Promise<void> => {
  await act(async () => {
    hydrateRoot(place, <Page />);
    await Promise.resolve();
  });
  // What is done again is done in the next turn.
  await act(() => new Promise<void>((resolve) => setTimeout(resolve)));
};

beforeEach(() => {
  delete document.documentElement.dataset.awake;
  said.mockReset();
  window.gilderBefore = [];
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

test('what was clicked is heard once, in order with what was typed; links are left alone', async () => {
  const place = arrive();
  const click = (words: string, how = {}): void =>
    void screen.getByText(words).dispatchEvent(new MouseEvent('click', { bubbles: true, detail: 1, ...how }));
  click('Choose of Titles', { shiftKey: true });
  type('Name', 'Mira');
  click('Cell of Titles');
  click('Choose of Captions', { detail: 0 });
  click('Cell of Captions');
  // By a key the pointer does not go down.
  click('Cell of Captions', { detail: 0 });
  click('Link of Titles');
  await wake(place);
  expect(said.mock.calls.filter(([name]) => name === 'Captions')).toEqual([
    ['Captions', 'chosen', false],
    ['Captions', 'cell'],
  ]);
  expect(said.mock.calls.filter(([name, what]) => name !== 'Captions' && what !== 'left')).toEqual([
    ['Titles', 'chosen', true],
    ['Name', 'Mira'],
    ['Titles', 'cell'],
  ]);
});

test('a click that has a part taken over, and so is heard, is not done again', async () => {
  await wake(arrive());
  const part = screen.getByText('Choose of Captions').closest('.contents');
  part?.setAttribute('data-late', '');
  await act(async () => {
    screen.getByText('Choose of Captions').click();
    await Promise.resolve();
  });
  expect(said).toHaveBeenCalledTimes(1);
  expect(window.gilderBefore).toEqual([]);
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
  expect(window.gilderBefore).toEqual([]);
});
