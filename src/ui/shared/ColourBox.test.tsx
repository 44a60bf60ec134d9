import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import { ColourBox, EyedropContext, RefersContext } from './ColourBox';
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
    await userEvent.click(screen.getByRole('button', { name: 'Name it in the House' }));
    await userEvent.type(screen.getByLabelText('Name in the House'), 'night');
    expect(screen.getByRole('button', { name: 'Taken' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Name in the House'), ' sky{Enter}');
    await waitFor(() =>
      expect(house.document.colours.at(-1)).toMatchObject({ name: 'night sky', colour: '#445566' }),
    );
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Name it in the House' })).toBeNull());
    // An editor's choice is the figure, not what the House makes of it.
    expect(value).toBe('#445566');
  });

  test('where designs are made refers to the House: by a swatch, by a new name, until it is unlinked or typed', async () => {
    render(
      <RefersContext value>
        <Box />
      </RefersContext>,
    );
    await open();
    expect(screen.getByText('As Hull red, not linked')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Lamp gold' }));
    expect(value).toBe('#e3b94f@lamp-gold');
    expect(screen.getByRole('button', { name: 'Panel: Lamp gold, #e3b94f, choose' })).toBeInTheDocument();
    expect(screen.getByLabelText('Panel, hex')).toHaveAccessibleDescription('Lamp gold');
    expect(screen.getByRole('button', { name: 'Lamp gold' })).toHaveAttribute('aria-pressed', 'true');
    await userEvent.click(screen.getByRole('button', { name: 'Unlink' }));
    expect(value).toBe('#e3b94f');
    fireEvent.change(screen.getByLabelText('Panel, hex'), { target: { value: '#778899' } });
    await userEvent.click(screen.getByRole('button', { name: 'Name it in the House' }));
    await userEvent.type(screen.getByLabelText('Name in the House'), 'Slate{Enter}');
    await waitFor(() => expect(value).toMatch(/^#778899@[\w-]+$/));
  });

  test('that is otherwise in the House now says so, and can be that', async () => {
    render(
      <RefersContext value>
        <Box first="#111111@lamp-gold" />
      </RefersContext>,
    );
    await open();
    expect(screen.getByText(', #e3b94f in the House')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Take that' }));
    expect(value).toBe('#e3b94f@lamp-gold');
  });

  test('whose name is gone from the House is its figure', () => {
    render(<Box first="#111111@gone" />);
    expect(screen.getByLabelText('Panel, hex')).toHaveValue('#111111');
    expect(screen.getByLabelText('Panel, hex')).not.toHaveAccessibleDescription();
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
