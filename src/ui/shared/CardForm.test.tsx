import { beforeEach, describe, expect, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { Field, FieldKind, FieldValues, Template } from '@/core/model/template';
import { newRowsLayer } from '@/core/model/newLayers';
import { testBox, testTemplate, testText } from '@/core/testing';
import { CardForm } from './CardForm';

const field = (id: string, kind: FieldKind, path: string, more: Partial<Field> = {}): Field => ({
  id,
  label: id,
  kind,
  help: '',
  required: false,
  section: '',
  automatic: null,
  targets: [
    { layerId: kind === 'rows' ? 'list' : kind === 'text' || kind === 'date' ? 'line' : 'box', path },
  ],
  limits: {},
  ...more,
});

const choices = ['Left', 'Right', 'Centre', 'Top'].map((label, i) => ({ value: `v${i}`, label, sets: [] }));
const FIELDS: readonly Field[] = [
  field('Words', 'text', 'text', { limits: { maxLines: 3, maxLength: 60 }, section: 'Says' }),
  field('Colour', 'colour', 'fill', { section: 'Looks' }),
  field('Side', 'choice', 'place.dxU', { limits: { choices: choices.slice(0, 2) }, section: 'Looks' }),
  field('Corner', 'choice', 'place.dxU', { limits: { choices }, help: 'Where it stands' }),
  field('Opacity', 'number', 'fillOpacity', { limits: { min: 0, max: 1 } }),
  field('Seen', 'switch', 'visible'),
  field('List', 'rows', 'rows'),
  field('Day', 'date', 'text', { limits: { pattern: 'd MMMM yyyy' } }),
  field('Starts', 'date', 'text', { limits: { pattern: 'HH:mm' } }),
];
const TEMPLATE: Template = testTemplate(
  [testText('line', 'Osier Reach'), testBox('box'), newRowsLayer('list', 'List')],
  { fields: FIELDS },
);

let values: FieldValues;
function Card({ template = TEMPLATE }: { readonly template?: Template }) {
  const [now, setNow] = useState<FieldValues>({});
  return (
    <CardForm
      template={template}
      values={now}
      onChange={(id, value) => {
        values = { ...now, [id]: value };
        setNow(values);
      }}
    />
  );
}
beforeEach(() => {
  values = {};
});

describe('the card', () => {
  test('has a section’s name once, and the help of a field', () => {
    render(<Card />);
    expect(screen.getAllByText('Looks')).toHaveLength(1);
    expect(screen.getByText('Where it stands')).toBeInTheDocument();
  });

  test('takes several lines where the template does', async () => {
    render(<Card />);
    await userEvent.type(screen.getByRole('textbox', { name: 'Words' }), '{Enter}second');
    expect(values.Words).toBe('\nsecond');
  });

  test('has room for many words, and one line for few', () => {
    const words = (limits: Field['limits']): void => {
      const one = { ...TEMPLATE, fields: [field('Words', 'text', 'text', { limits })] };
      render(<Card template={one} />);
    };
    words({ maxLength: 40 });
    words({ maxLength: 180 });
    words({ maxLength: 180, maxLines: 1 });
    expect(screen.getAllByLabelText('Words').map(({ tagName }) => tagName)).toEqual([
      'INPUT',
      'TEXTAREA',
      'INPUT',
    ]);
  });

  test('few choices stand side by side, more are a list', async () => {
    render(<Card />);
    await userEvent.click(screen.getByRole('radio', { name: 'Right' }));
    await userEvent.selectOptions(screen.getByLabelText('Corner'), 'Top');
    expect(values).toEqual({ Side: 'v1', Corner: 'v3' });
  });

  test('a number keeps to its limits, a switch is on or off, rows are cells', async () => {
    render(<Card />);
    const opacity = screen.getByLabelText('Opacity');
    await userEvent.clear(opacity);
    await userEvent.type(opacity, '7{Enter}');
    await userEvent.click(screen.getByRole('switch', { name: 'Seen' }));
    expect(values).toMatchObject({ Opacity: 1 });
    expect(typeof values.Seen).toBe('boolean');
    expect(screen.getByRole('group', { name: 'List' })).toBeInTheDocument();
  });

  test('a date says how it will read, with a time where the pattern has one', () => {
    render(<Card />);
    fireEvent.change(screen.getByLabelText('Day'), { target: { value: '2026-11-25' } });
    expect(values.Day).toBe('2026-11-25');
    expect(screen.getByText('Reads “25 November 2026”')).toBeInTheDocument();
    expect(screen.getByLabelText('Starts')).toHaveAttribute('type', 'datetime-local');
  });

  test('says when nothing is open to editors', () => {
    render(<Card template={{ ...TEMPLATE, fields: [] }} />);
    expect(screen.getByText(/^Nothing on this template is open/)).toBeInTheDocument();
  });
});
