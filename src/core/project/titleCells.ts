import type { DeliveryChange, Title } from '../model/project';
import type { FieldValue } from '../model/template';
import { withDeliveryChange } from './deliver';

/** One thing of a title that can be changed by itself. */
export type TitleCell =
  | { readonly of: 'title'; readonly key: string }
  | { readonly of: 'value'; readonly fieldId: string }
  | { readonly of: 'delivery'; readonly deliveryId: string; readonly key: 'leftOut' | 'shift' }
  | { readonly of: 'deliveryValue'; readonly deliveryId: string; readonly fieldId: string };

/** What a cell's name says. Names are a property's, `values.` and a field's id, or begin with `perDelivery.` and an id. */
export function parseCell(name: string): TitleCell {
  const [first, second, third, ...rest] = name.split('.');
  if (first === 'values') return { of: 'value', fieldId: name.slice('values.'.length) };
  if (first !== 'perDelivery') return { of: 'title', key: name };
  if (third === 'values') return { of: 'deliveryValue', deliveryId: second, fieldId: rest.join('.') };
  return { of: 'delivery', deliveryId: second, key: third === 'shift' ? 'shift' : 'leftOut' };
}

/** Every cell of a title by its name. What is as in all deliveries has none. */
export function cellsOf({ values, perDelivery, ...own }: Title): ReadonlyMap<string, unknown> {
  const cells = new Map<string, unknown>(Object.entries(own));
  for (const [id, value] of Object.entries(values)) cells.set(`values.${id}`, value);
  for (const [delivery, change] of Object.entries(perDelivery)) {
    const name = `perDelivery.${delivery}`;
    if (change.leftOut) cells.set(`${name}.leftOut`, true);
    if (change.shift !== null) cells.set(`${name}.shift`, change.shift);
    for (const [id, value] of Object.entries(change.values)) cells.set(`${name}.values.${id}`, value);
  }
  return cells;
}

/** A title with one cell set to a value that a title of its kind has had there; undefined for none. */
export function withCellValue(title: Title, name: string, value: unknown): Title {
  const cell = parseCell(name);
  switch (cell.of) {
    case 'title':
      return { ...title, [cell.key]: value };
    case 'value':
      return { ...title, values: withValue(title.values, cell.fieldId, value) };
    case 'delivery': {
      const change = cell.key === 'leftOut' ? { leftOut: value === true } : { shift: shiftOf(value) };
      return withDeliveryChange(title, cell.deliveryId, change);
    }
    case 'deliveryValue': {
      const before = title.perDelivery[cell.deliveryId]?.values ?? {};
      const values = withValue(before, cell.fieldId, value);
      return withDeliveryChange(title, cell.deliveryId, { values });
    }
  }
}

function withValue(values: Title['values'], id: string, value: unknown): Title['values'] {
  const { [id]: _, ...others } = values;
  return value === undefined ? others : { ...others, [id]: value as FieldValue };
}

const shiftOf = (value: unknown): DeliveryChange['shift'] => (value ?? null) as DeliveryChange['shift'];
