import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE, parseHouse } from '@/core/model/house';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import { KeptSection } from './KeptSection';

const MOVE = { id: 'drop', name: 'Lantern drop', motion: motionOf([newMoveUse('bounce')], 'mirror') };

test('a kept move is given a folder and tags, and loses them when they are emptied', async () => {
  let now: House = { ...FIRST_HOUSE, moves: [MOVE] };
  function Kept() {
    const [house, setHouse] = useState(now);
    const onChange = (change: Partial<House>): void => {
      now = { ...now, ...change };
      setHouse(now);
    };
    return <KeptSection house={house} inForce={house} templates={[]} onChange={onChange} />;
  }
  render(<Kept />);
  const [folder, tags] = [screen.getByLabelText(/^Folder of/), screen.getByLabelText(/^Tags of/)];
  await userEvent.type(folder, 'Straps');
  await userEvent.type(tags, 'river, slow, river,');
  // What is typed stays as it is typed until the box is left.
  expect(tags).toHaveValue('river, slow, river,');
  await userEvent.tab();
  expect(tags).toHaveValue('river, slow');
  expect(now.moves).toEqual([{ ...MOVE, folder: 'Straps', tags: ['river', 'slow'] }]);
  expect(parseHouse(now)).toEqual(now);
  await userEvent.clear(tags);
  await userEvent.clear(folder);
  expect(now.moves).toEqual([MOVE]);
});
