import { expect, jest, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../demo/templates';
import { CardForm } from './CardForm';
import { NumberBox } from './NumberBox';

const setup = (onChange: (value: number) => void) =>
  render(<NumberBox label="Size" unit="u" min={0} max={500} step={2} value={84} onChange={onChange} />);

test('a number box takes arithmetic on Enter and keeps it in range', async () => {
  const onChange = jest.fn<(value: number) => void>();
  setup(onChange);
  const box = screen.getByLabelText('Size');
  await userEvent.clear(box);
  await userEvent.type(box, '1080/3{Enter}');
  expect(onChange).toHaveBeenLastCalledWith(360);
  await userEvent.clear(box);
  await userEvent.type(box, '9999{Enter}');
  expect(onChange).toHaveBeenLastCalledWith(500);
});

test('a number box steps with the arrow keys, by ten with Shift', async () => {
  const onChange = jest.fn<(value: number) => void>();
  setup(onChange);
  screen.getByLabelText('Size').focus();
  await userEvent.keyboard('{ArrowUp}');
  expect(onChange).toHaveBeenLastCalledWith(86);
  await userEvent.keyboard('{Shift>}{ArrowDown}{/Shift}');
  expect(onChange).toHaveBeenLastCalledWith(64);
});

test('what is no number stays as typed, says so, changes nothing, and Escape takes it back', async () => {
  const onChange = jest.fn<(value: number) => void>();
  setup(onChange);
  const box = screen.getByLabelText('Size');
  await userEvent.clear(box);
  await userEvent.type(box, 'tall{Enter}');
  expect(screen.getByRole('alert')).toHaveTextContent('Not a number: “tall”');
  expect(box).toHaveValue('tall');
  expect(onChange).not.toHaveBeenCalled();
  await userEvent.keyboard('{Escape}');
  expect(box).toHaveValue('84');
});

test('the card hints at the design’s words, which are those of a field only while it is designed', async () => {
  const { rerender } = render(<CardForm template={tidelineStrap} values={{}} onChange={() => undefined} />);
  expect(screen.getByLabelText('Name')).toHaveValue('');
  expect(screen.getByLabelText('Name')).toHaveAttribute('placeholder', 'Ilse Marrow');
  rerender(<CardForm template={tidelineStrap} values={{}} onChange={() => undefined} showsSamples />);
  expect(screen.getByLabelText('Name')).toHaveValue('Ilse Marrow');
});

test('the card counts letters, and stops at the limit', async () => {
  const onChange = jest.fn();
  render(
    <CardForm template={tidelineStrap} values={{ name: 'Ilse Marrow', role: '' }} onChange={onChange} />,
  );
  expect(screen.getByLabelText('Name')).toHaveValue('Ilse Marrow');
  expect(screen.getByText('11/40')).toBeInTheDocument();
  await userEvent.type(screen.getByLabelText('Role'), 'x');
  expect(onChange).toHaveBeenLastCalledWith('role', 'x');
  await userEvent.click(screen.getByLabelText('Name'));
  await userEvent.paste('y'.repeat(100));
  expect(onChange).toHaveBeenLastCalledWith('name', `Ilse Marrow${'y'.repeat(29)}`);
});

test('a needed field that is empty says so', () => {
  render(<CardForm template={tidelineStrap} values={{ name: ' ' }} onChange={() => undefined} />);
  expect(screen.getByText('Name is needed')).toBeInTheDocument();
  expect(screen.getByLabelText('Name')).toHaveAttribute('aria-invalid', 'true');
});
