import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE, parseHouse } from '@/core/model/house';
import { jsonAnswer, renderScreen } from '../../shared/forTest';
import type { PresetChoices } from './Presets';
import { Presets } from './Presets';

const CHOSEN = {
  outputs: ['mov-png'],
  names: '{number}',
  premultiplied: false,
  fine: false,
  staysHere: true,
};

/** A House that keeps what is put into it, and refuses what the server would refuse. */
let house: House = FIRST_HOUSE;
globalThis.fetch = (_path, init) => {
  if (init?.method === 'PUT') house = parseHouse(JSON.parse(String(init.body)).document);
  return Promise.resolve(jsonAnswer(200, { document: house, revision: 1 }));
};

function Chosen() {
  const [choices, setChoices] = useState<PresetChoices>(CHOSEN);
  return (
    <>
      <Presets choices={choices} onChoose={setChoices} />
      <button type="button" onClick={() => setChoices({ ...choices, fine: true, outputs: ['exr-still'] })}>
        Choose others
      </button>
      <output>{JSON.stringify(choices)}</output>
    </>
  );
}

test('what is chosen is kept in the House by name, and comes back when it is taken', async () => {
  renderScreen('/', <Chosen />);
  const box = (): HTMLElement => screen.getByLabelText('Preset of the House');
  const keep = async (name: string): Promise<void> => {
    await userEvent.click(screen.getByRole('button', { name: 'Keep as preset' }));
    await userEvent.type(screen.getByLabelText('Name of the preset'), `${name}{Enter}`);
  };
  expect(within(box()).getByText('None in the House yet')).toBeInTheDocument();
  await keep('Edit');
  // Only what belongs to a preset.
  expect(house.presets).toEqual([
    {
      id: expect.any(String),
      name: 'Edit',
      outputs: ['mov-png'],
      names: '{number}',
      premultiplied: false,
      fine: false,
    },
  ]);
  expect(box()).toHaveDisplayValue('Edit');
  await userEvent.click(screen.getByRole('button', { name: 'Choose others' }));
  expect(box()).toHaveDisplayValue('As chosen below');
  await keep('Comp');
  await userEvent.selectOptions(box(), 'Edit');
  expect(JSON.parse(screen.getByRole('status').textContent ?? '')).toMatchObject({
    outputs: ['mov-png'],
    fine: false,
  });
  // The same name again is the same preset, as it is now.
  await keep('Comp');
  expect(house.presets?.map(({ name, outputs }) => [name, outputs[0]])).toEqual([
    ['Edit', 'mov-png'],
    ['Comp', 'mov-png'],
  ]);
});
