import { designValue } from './applyValues';
import type { Field, FieldValues, Template } from './template';

/** A way to try a design: other words in every text field. */
export interface SampleText {
  readonly id: string;
  readonly label: string;
  readonly title: string;
  words(field: Field, usual: string, index: number): string;
}

const LONG = ['Bartholomew Quillfeather-Oduya', 'Deputy Steward of the Upper Weirs and Lantern Gates'];
const ARABIC = ['نور الهلالي', 'مرشدة المد والجزر'];
const HINDI = ['सीमा घाटे', 'नौका निर्माता'];

const pick = (list: readonly string[], index: number): string => list[Math.min(index, list.length - 1)];

/** The sample texts, in the order in which they are offered. */
export const SAMPLE_TEXTS: readonly SampleText[] = [
  { id: 'usual', label: 'Usual', title: 'The words of the design', words: (_field, usual) => usual },
  {
    id: 'short',
    label: 'Short',
    title: 'Very short words',
    words: (_field, _usual, i) => pick(['Ode', 'Pilot'], i),
  },
  { id: 'long', label: 'Long', title: 'Very long words', words: (_field, _usual, i) => pick(LONG, i) },
  {
    id: 'one-line',
    label: 'One line',
    title: 'Only the fields that must be filled',
    words: (field, usual) => (field.required ? usual : ''),
  },
  { id: 'arabic', label: 'Arabic', title: 'Arabic', words: (_field, _usual, i) => pick(ARABIC, i) },
  { id: 'hindi', label: 'Hindi', title: 'Hindi', words: (_field, _usual, i) => pick(HINDI, i) },
];

/** The values of a sample for a template's text fields; nothing for the design's own words. */
export function sampleValues(template: Template, sampleId: string): FieldValues {
  const sample = SAMPLE_TEXTS.find((one) => one.id === sampleId);
  if (sample === undefined || sampleId === 'usual') return {};
  const texts = template.fields.filter((field) => field.kind === 'text');
  return Object.fromEntries(
    texts.map((field, i) => {
      const words = sample.words(field, String(designValue(template, field)), i);
      return [field.id, cutToLimit(words, field.limits.maxLength)];
    }),
  );
}

/** Words cut to a limit between two of them where that is possible. */
function cutToLimit(words: string, limit = Infinity): string {
  const letters = Array.from(words);
  if (letters.length <= limit) return words;
  const cut = letters.slice(0, limit + 1).join('');
  const space = cut.lastIndexOf(' ');
  return space > 0 ? cut.slice(0, space) : letters.slice(0, limit).join('');
}
