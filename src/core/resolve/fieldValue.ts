import { format as formatDate, parseISO } from 'date-fns';
import { figureOf } from '../colour/houseColour';
import { findProperty } from '../layers';
import { cleanText } from '../text/cleanText';
import { cutGraphemes } from '../text/graphemes';
import type { Field, FieldValue, Template } from '../model/template';

/** What the design says for a field; for one without a property of its own the first choice, else an empty text. */
export function designValue(template: Template, field: Field): FieldValue {
  for (const { layerId, path } of field.targets) {
    const layer = template.layers.find((candidate) => candidate.id === layerId);
    const property = layer && findProperty(layer, path);
    if (property !== undefined) return plainValue(field, property.value);
  }
  return plainValue(field, field.limits.choices?.[0]?.value ?? '');
}

/** Editors and sheets have colours as figures alone. */
function plainValue({ kind }: Field, value: FieldValue): FieldValue {
  return kind === 'colour' ? figureOf(String(value)) : value;
}

/** Whether a field is for words, which the design has only a sample of; any other says what the design says. */
export function isWords({ kind }: Field): boolean {
  return kind === 'text' || kind === 'rows' || kind === 'date';
}

/** What goes to air in a field when nobody types: the design's, but of words only those that are meant to. */
export function airValue(template: Template, field: Field): FieldValue {
  return isWords(field) ? (field.defaultWords ?? '') : designValue(template, field);
}

const LETTER_CLASSES = {
  any: /[^]/u,
  letters: /[\p{L}\p{M}\p{Zs}\n'’.,\-–]/u,
  figures: /[\p{Nd}\p{Zs}:.,/+\-–−%\n]/u,
  capitals: /[^]/u,
} as const;

/** What a field shows of a value: as many letters and lines as it takes, of the kind that it takes, figures in range. */
export function limitValue(field: Field, value: FieldValue): FieldValue {
  const { maxLength, maxLines, min, max, allowed } = field.limits;
  switch (field.kind) {
    case 'text': {
      const letters = LETTER_CLASSES[allowed ?? 'any'];
      const kept = [...cleanText(String(value))].filter((one) => letters.test(one)).join('');
      const lines = maxLines === undefined ? kept : kept.split('\n').slice(0, maxLines).join('\n');
      const cut = maxLength === undefined ? lines : cutGraphemes(lines, maxLength);
      return allowed === 'capitals' ? cut.toLocaleUpperCase('und') : cut;
    }
    case 'number': {
      const number = typeof value === 'number' ? value : Number(value);
      return Number.isFinite(number) ? Math.max(min ?? -Infinity, Math.min(max ?? Infinity, number)) : value;
    }
    case 'date':
      return writeDate(String(value), field.limits.pattern ?? DEFAULT_DATE_PATTERN);
    default:
      return plainValue(field, value);
  }
}

/** How dates are written unless a field says otherwise. */
export const DEFAULT_DATE_PATTERN = 'd MMMM yyyy';

/** An ISO date or time written by a pattern; anything else is left as it was typed. */
export function writeDate(iso: string, pattern: string): string {
  const date = parseISO(iso);
  if (iso === '' || Number.isNaN(date.getTime())) return cleanText(iso);
  try {
    return formatDate(date, pattern);
  } catch {
    return cleanText(iso);
  }
}
