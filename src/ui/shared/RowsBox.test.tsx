import { beforeEach, describe, expect, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { RowsBox } from './RowsBox';

let value: string;
function Box({ columns }: { readonly columns: number }) {
  const [now, setNow] = useState(value);
  const set = (next: string): void => {
    value = next;
    setNow(next);
  };
  return <RowsBox label="Crew" value={now} columns={columns} onChange={set} most={6} />;
}
const cell = (row: number, column: number): HTMLElement =>
  screen.getByLabelText(`Crew, row ${row}, cell ${column}`);
const paste = (element: HTMLElement, text: string): void => {
  fireEvent.paste(element, { clipboardData: { getData: () => text } });
};

beforeEach(() => {
  value = 'Helm\tIlse Marrow\nBow\tTeo Vance';
});

describe('a list of rows', () => {
  test('has a box for each cell, and empty ones where a row is shorter', async () => {
    value = 'Helm\nBow\tTeo Vance\tleft over';
    render(<Box columns={2} />);
    expect(cell(1, 2)).toHaveValue('');
    await userEvent.type(cell(1, 2), 'Noor');
    expect(value).toBe('Helm\tNoor\nBow\tTeo Vance');
  });

  test('grows by a button or by Enter, where the caret is', async () => {
    render(<Box columns={2} />);
    await userEvent.type(cell(1, 1), '{Enter}');
    expect(value).toBe('Helm\tIlse Marrow\n\t\nBow\tTeo Vance');
    await userEvent.click(screen.getByRole('button', { name: 'Row' }));
    expect(value.split('\n')).toHaveLength(4);
  });

  test('rows go up and out, but the last one stays', async () => {
    render(<Box columns={2} />);
    expect(screen.getByRole('button', { name: 'Row 1 up' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Row 2 up' }));
    expect(value).toBe('Bow\tTeo Vance\nHelm\tIlse Marrow');
    await userEvent.click(screen.getByRole('button', { name: 'Take out row 1' }));
    expect(value).toBe('Helm\tIlse Marrow');
    expect(screen.getByRole('button', { name: 'Take out row 1' })).toBeDisabled();
  });

  test('cells of a spreadsheet are pasted from the cell on, whatever ends their lines', () => {
    render(<Box columns={2} />);
    paste(cell(2, 1), 'Trim\tOde Pell\r\nRunner\tMira Stott\ttoo far\r\n');
    expect(value).toBe('Helm\tIlse Marrow\nTrim\tOde Pell\nRunner\tMira Stott');
    paste(cell(1, 2), 'A\nB\nC');
    expect(value).toBe('Helm\tA\nTrim\tB\nRunner\tC');
  });

  test('never more rows than there may be', () => {
    render(<Box columns={1} />);
    paste(screen.getByLabelText('Crew, row 1'), Array.from({ length: 20 }, (_, i) => `n${i}`).join('\n'));
    expect(value.split('\n')).toHaveLength(6);
    expect(screen.getByRole('button', { name: 'Row' })).toBeDisabled();
  });
});
