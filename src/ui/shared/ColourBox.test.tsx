import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import { ColourBox, EyedropContext } from './ColourBox';
import { jsonAnswer } from './forTest';

let value: string;
let house: { document: House; revision: number };
const before = globalThis.fetch;

function Box({ first = '#6d2a2c' }: { readonly first?: string }) {
  const [now, setNow] = useState(first);
  const set = (next: string): void => {
    value = next;
    setNow(next);
  };
  return (
    <ColourBox
      label="Panel"
      value={now}
      onChange={set}
      swatches={[{ value: '#10303c', label: 'Deep water' }]}
    />
  );
}
const open = (): Promise<void> =>
  userEvent.click(screen.getByRole('button', { name: /^Panel: .*, choose$/ }));

beforeEach(() => {
  value = '';
  house = { document: FIRST_HOUSE, revision: 1 };
  globalThis.fetch = (_, request) => {
    if (request?.method === 'PUT') {
      const body: { document: House } = JSON.parse(String(request.body));
      house = { document: body.document, revision: house.revision + 1 };
    }
    return Promise.resolve(jsonAnswer(200, house));
  };
});
afterEach(() => {
  globalThis.fetch = before;
});

describe('a colour', () => {
  test('is typed as six figures in any case; three of them count once the box is left', async () => {
    render(<Box />);
    const box = screen.getByLabelText('Panel, hex');
    await userEvent.clear(box);
    await userEvent.type(box, 'C98A2B');
    expect(value).toBe('#c98a2b');
    await userEvent.clear(box);
    await userEvent.type(box, 'abc');
    expect(value).toBe('#c98a2b');
    await userEvent.tab();
    expect(value).toBe('#aabbcc');
  });

  test('is typed as rgb() or a name too, and never becomes another one', async () => {
    render(<Box />);
    const box = screen.getByLabelText('Panel, hex');
    await userEvent.clear(box);
    await userEvent.type(box, 'rgb(16, 48, 60){Enter}');
    expect(value).toBe('#10303c');
    await userEvent.clear(box);
    await userEvent.type(box, 'teal{Enter}');
    expect(value).toBe('#008080');
  });

  test('what is none changes nothing and says why, until it is right or taken back', async () => {
    render(<Box />);
    const box = screen.getByLabelText('Panel, hex');
    await userEvent.clear(box);
    await userEvent.type(box, 'c98a{Enter}');
    await userEvent.tab();
    expect(value).toBe('');
    expect(screen.getByRole('alert')).toHaveTextContent('“c98a” is no colour.');
    await userEvent.type(box, 'c98a2b');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(value).toBe('#c98a2b');
    await userEvent.clear(box);
    await userEvent.type(box, 'deep water{Enter}{Escape}');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(box).toHaveValue('#c98a2b');
  });

  test('is picked from the card’s colours and from those of the House', async () => {
    render(<Box />);
    await open();
    await userEvent.click(screen.getAllByRole('button', { name: 'Deep water' })[0]);
    expect(value).toBe('#10303c');
    await userEvent.click(screen.getByRole('button', { name: 'Lamp gold' }));
    expect(value).toBe('#e3b94f');
  });

  test('is made lighter without another hue, and a grey keeps the hue that was set', async () => {
    render(<Box first="#808080" />);
    await open();
    const slide = (name: string, to: number): void => {
      fireEvent.change(screen.getByLabelText(`Panel, ${name}`), { target: { value: String(to) } });
    };
    slide('hue', 200);
    slide('chroma', 0.1);
    const [, green, blue] = [1, 3, 5].map((at) => Number.parseInt(value.slice(at, at + 2), 16));
    expect(Math.min(green, blue)).toBeGreaterThan(Number.parseInt(value.slice(1, 3), 16));
    slide('light', 0.9);
    expect(Number(screen.getByLabelText<HTMLInputElement>('Panel, hue').value)).toBeCloseTo(200, 0);
  });

  test('is kept in the House once', async () => {
    render(<Box />);
    await open();
    fireEvent.change(screen.getByLabelText('Panel, hex'), { target: { value: '#445566' } });
    await userEvent.click(screen.getByRole('button', { name: 'House' }));
    await waitFor(() => expect(house.document.colours.at(-1)?.colour).toBe('#445566'));
    await waitFor(() => expect(screen.queryByRole('button', { name: 'House' })).toBeNull());
  });

  test('is taken from the picture where there is one', async () => {
    const eyedrop = jest.fn((pick: (colour: string) => void) => pick('#0a0b0c'));
    render(
      <EyedropContext value={eyedrop}>
        <Box />
      </EyedropContext>,
    );
    await open();
    await userEvent.click(screen.getByRole('button', { name: 'From the picture' }));
    expect(value).toBe('#0a0b0c');
  });
});
