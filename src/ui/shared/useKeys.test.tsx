import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test } from '@jest/globals';
import { useKeys } from './useKeys';

function Screen({ onKey }: { readonly onKey: (key: string) => void }) {
  useKeys('a, space', (event) => onKey(event.key));
  return (
    <>
      <input type="checkbox" aria-label="Tick" />
      <input type="text" aria-label="Words" />
      <input type="range" aria-label="Share" />
      <select aria-label="Choice" />
      <textarea aria-label="Lines" />
      <button type="button">Press</button>
    </>
  );
}

test('a key of the screen acts after a box was ticked, but not while somebody types or chooses', () => {
  const heard: string[] = [];
  render(<Screen onKey={(key) => heard.push(key)} />);
  const press = (label: string, key: string, code: string): number => {
    heard.length = 0;
    const at = label === 'Press' ? screen.getByRole('button') : screen.getByLabelText(label);
    fireEvent.keyDown(at, { key, code });
    fireEvent.keyUp(at, { key, code });
    return heard.length;
  };
  expect(press('Tick', 'a', 'KeyA')).toBe(1);
  expect(press('Press', 'a', 'KeyA')).toBe(1);
  // Space ticks.
  expect(press('Tick', ' ', 'Space')).toBe(0);
  for (const label of ['Words', 'Lines', 'Choice', 'Share']) expect(press(label, 'a', 'KeyA')).toBe(0);
});
