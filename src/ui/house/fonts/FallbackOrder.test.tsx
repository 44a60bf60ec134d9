import { afterEach, expect, jest, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { ScriptFallback } from '@/core/faces/fallback';
import { knowOwnFaces } from '@/core/faces/faces';
import { ownFaces } from '@/core/faces/ownFaces';
import { faceFile } from '@/core/testing';
import { FallbackOrder } from './FallbackOrder';

afterEach(() => knowOwnFaces([]));

const says = jest.fn<(fallbacks: readonly ScriptFallback[]) => void>();
const said = (): readonly ScriptFallback[] | undefined => says.mock.lastCall?.[0];

function Kept({ first = [] }: { readonly first?: readonly ScriptFallback[] }) {
  const [fallbacks, setFallbacks] = useState(first);
  const set = (next: readonly ScriptFallback[]): void => {
    says(next);
    setFallbacks(next);
  };
  return <FallbackOrder fallbacks={fallbacks} onChange={set} />;
}

const row = (name: string) => within(screen.getByRole('listitem', { name }));
const inTurn = (name: string): (string | null)[] =>
  row(name)
    .queryAllByRole('listitem')
    .map((one) => one.textContent);

test('fonts are named for a script, put sooner and taken away; the usual one follows', async () => {
  render(<Kept />);
  expect(row('Latin').getByText('Hanken Grotesk', { selector: 'span' })).toBeVisible();
  const ask = () => row('Latin').getByRole('combobox', { name: 'Ask first for Latin' });
  await userEvent.selectOptions(ask(), 'Fraunces');
  await userEvent.selectOptions(ask(), 'Alegreya');
  expect(said()).toEqual([{ script: 'Latn', faces: ['fraunces', 'alegreya'] }]);
  expect(inTurn('Latin')).toEqual(['Fraunces', 'Alegreya']);
  expect(row('Latin').getByText('then Hanken Grotesk')).toBeVisible();
  expect(row('Latin').queryByRole('option', { name: 'Fraunces' })).toBeNull();
  await userEvent.click(row('Latin').getByRole('button', { name: 'Ask Alegreya sooner for Latin' }));
  expect(said()).toEqual([{ script: 'Latn', faces: ['alegreya', 'fraunces'] }]);
  expect(screen.getByRole('listitem', { name: 'Latin' })).toHaveFocus();
  await userEvent.selectOptions(row('Greek').getByRole('combobox'), 'Alegreya Italic');
  expect(said()).toContainEqual({ script: 'Grek', faces: ['alegreya-italic'] });
  await userEvent.click(row('Latin').getByRole('button', { name: 'Remove Fraunces for Latin' }));
  await userEvent.click(row('Latin').getByRole('button', { name: 'Remove Alegreya for Latin' }));
  expect(said()).toEqual([{ script: 'Grek', faces: ['alegreya-italic'] }]);
});

test('a script has a choice once a font of the House has its letters', () => {
  const { unmount } = render(<Kept />);
  expect(row('Tamil').queryByRole('combobox')).toBeNull();
  expect(row('Tamil').getByText('No other font has its letters')).toBeVisible();
  unmount();
  knowOwnFaces(ownFaces([faceFile({ letters: { Tamil: 60 } })]));
  render(<Kept />);
  expect(row('Tamil').getByRole('option', { name: 'Marrow Sans' })).toBeInTheDocument();
});

test('one that is no longer here is said, and can be taken away', async () => {
  render(<Kept first={[{ script: 'Taml', faces: ['own-gone'] }]} />);
  expect(inTurn('Tamil')).toEqual(['A font that is no longer here']);
  await userEvent.click(row('Tamil').getByRole('button', { name: /^Remove/ }));
  expect(said()).toEqual([]);
});
