import { useState } from 'react';
import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { OUTPUTS } from '@/core/outputs';
import { KindTicks } from './KindTicks';

const offered = OUTPUTS.list;
const noteOf = (id: string): RegExp => new RegExp(OUTPUTS.get(id).note.slice(0, 20));

function Kinds() {
  const [chosen, setChosen] = useState<readonly string[]>(['mov-prores']);
  return (
    <>
      <KindTicks offered={offered} chosen={chosen} onChange={setChosen} lacks={null} />
      <button type="button" onClick={() => setChosen(['png-still'])}>
        Another
      </button>
    </>
  );
}

test('what is pointed at or in the keys is told of, else what is chosen', async () => {
  render(<Kinds />);
  const told = (): string => document.querySelector('p')?.textContent ?? '';
  expect(told()).toMatch(noteOf('mov-prores'));
  const webp = screen.getByRole('checkbox', { name: OUTPUTS.get('webp-anim').label });
  await userEvent.hover(webp);
  expect(told()).toMatch(noteOf('webp-anim'));
  await userEvent.unhover(screen.getByRole('group', { name: 'Kinds of file' }));
  expect(told()).toMatch(noteOf('mov-prores'));
  await userEvent.click(webp);
  expect(told()).toMatch(noteOf('webp-anim'));
  // A preset takes another: what was clicked before is not told of any more.
  await userEvent.click(screen.getByRole('button', { name: 'Another' }));
  expect(told()).toMatch(noteOf('png-still'));
});
