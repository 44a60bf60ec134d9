import { designValue } from '../resolve/fieldValue';
import { textToCredits } from '../credits/creditText';
import type { CreditRow } from '../model/credits';
import { graphemesOf } from '../text/graphemes';
import type { Field, FieldValues, Template } from '../model/template';

/** A way to try a design: other words in every text field. */
export interface SampleText {
  readonly id: string;
  readonly label: string;
  readonly title: string;
  words(field: Field, usual: string, index: number): string;
  /** For a list of rows a number, words and a figure each, as many of them as it has columns; none leaves the design's. */
  readonly rows?: readonly (readonly string[])[];
}

const LONG = ['Bartholomew Quillfeather-Oduya', 'Deputy Steward of the Upper Weirs and Lantern Gates'];
// For fields that take whole sentences, where a name would prove nothing.
const LONG_SENTENCES =
  'We carried every lantern down to the water by hand, two hundred and twelve of them, and not one went out before the last boat was home.';
const SENTENCE_LENGTH = 100;
const ARABIC = ['نور الهلالي', 'مرشدة المد والجزر'];
const HEBREW = ['נועה בר־נהר', 'מדריכת הגאות'];
const HINDI = ['सीमा घाटे', 'नौका निर्माता'];

const SHORT_ROWS = [['1', 'Ode', '9:59']];
const LONG_ROWS = [
  ['1', 'Bartholomew Quillfeather-Oduya and crew', '14:12.68'],
  ['2', 'The Second Company of Lantern Bearers', '14:13.10'],
  ['3', 'Heron', '14:15.84'],
  ['4', 'Marsh Lantern of the Upper Weirs', '14:21.02'],
  ['5', 'Quiet Gudgeon', '14:30.77'],
  ['6', 'Did not finish', '—'],
  ['7', 'Did not start', '—'],
];
const ARABIC_ROWS = [
  ['1', 'نور الهلالي', '4:12.6'],
  ['2', 'قارب الفانوس', '4:13.1'],
];
const HEBREW_ROWS = [
  ['1', 'נועה בר־נהר', '4:12.6'],
  ['2', 'סירת הפנסים', '4:13.1'],
];
const HINDI_ROWS = [
  ['1', 'सीमा घाटे', '4:12.6'],
  ['2', 'दीपक नौका', '4:13.1'],
];

const pick = (list: readonly string[], index: number): string => list[Math.min(index, list.length - 1)];

/** The sample texts, in the order in which they are offered. */
export const SAMPLE_TEXTS: readonly SampleText[] = [
  { id: 'usual', label: 'Usual', title: 'The words of the design', words: (_field, usual) => usual },
  {
    id: 'short',
    label: 'Short',
    title: 'Very short words',
    words: (_field, _usual, i) => pick(['Ode', 'Pilot'], i),
    rows: SHORT_ROWS,
  },
  {
    id: 'long',
    label: 'Long',
    title: 'Very long words',
    words: (field, _usual, i) =>
      (field.limits.maxLength ?? 0) >= SENTENCE_LENGTH ? LONG_SENTENCES : pick(LONG, i),
    rows: LONG_ROWS,
  },
  {
    id: 'one-line',
    label: 'One line',
    title: 'Only the fields that must be filled',
    words: (field, usual) => (field.required ? usual : ''),
  },
  {
    id: 'arabic',
    label: 'Arabic',
    title: 'Arabic',
    words: (_field, _usual, i) => pick(ARABIC, i),
    rows: ARABIC_ROWS,
  },
  {
    id: 'hebrew',
    label: 'Hebrew',
    title: 'Hebrew',
    words: (_field, _usual, i) => pick(HEBREW, i),
    rows: HEBREW_ROWS,
  },
  {
    id: 'hindi',
    label: 'Hindi',
    title: 'Hindi',
    words: (_field, _usual, i) => pick(HINDI, i),
    rows: HINDI_ROWS,
  },
];

/** Which cell of a sample's row stands for one of the design's: its words, its figure, or the number or bullet at its head. */
function cellLike(cell: string, column: number): number {
  if (/\p{L}{2}/u.test(cell)) return 1;
  return column === 0 ? 0 : 2;
}

/** The values of a sample for a template's text fields; nothing for the design's own words. */
export function sampleValues(template: Template, sampleId: string): FieldValues {
  const sample = SAMPLE_TEXTS.find((one) => one.id === sampleId);
  if (sample === undefined || sampleId === 'usual') return {};
  // A date is a text too while words of another script are tried.
  const texts = template.fields.filter((field) => field.kind === 'text' || field.kind === 'date');
  const words = texts.map((field, i): [string, string] => {
    const tried = sample.words(field, String(designValue(template, field)), i);
    return [field.id, cutToLimit(tried, field.limits.maxLength)];
  });
  const lists = template.fields.filter((field) => field.kind === 'rows' && sample.rows !== undefined);
  const rows = lists.map((field): [string, string] => {
    const design = String(designValue(template, field)).split('\n')[0].split('\t');
    const like = design.map(cellLike);
    const cells = (row: readonly string[]): readonly string[] => like.map((at) => row[at]);
    return [field.id, (sample.rows ?? []).map((row) => cells(row).join('\t')).join('\n')];
  });
  return Object.fromEntries([...words, ...rows]);
}

const SHORT_CREDITS = '# Boats\nPilot\tOde';
const LONG_CREDITS = [
  '# The Lantern Regatta of the Upper Weirs, in two days and one night',
  `${LONG[1]}\t${LONG[0]}`,
  ...Array.from({ length: 11 }, (_, i) => `\tThe ${i + 2}. Company of Lantern Bearers`),
  '',
  '# With thanks to',
  ...Array.from({ length: 40 }, (_, i) => (i % 3 === 0 ? LONG[0] : `Quiet Gudgeon ${i}`)),
  '',
  `> ${LONG_SENTENCES}`,
].join('\n');
const ARABIC_CREDITS = `# ${ARABIC_ROWS[1][1]}\n${ARABIC[1]}\t${ARABIC[0]}\n\t${ARABIC_ROWS[0][1]}`;
const HEBREW_CREDITS = `# ${HEBREW_ROWS[1][1]}\n${HEBREW[1]}\t${HEBREW[0]}\n\t${HEBREW_ROWS[0][1]}`;
const HINDI_CREDITS = `# ${HINDI_ROWS[1][1]}\n${HINDI[1]}\t${HINDI[0]}\n\t${HINDI_ROWS[0][1]}`;
const CREDITS: Readonly<Record<string, readonly CreditRow[]>> = Object.fromEntries(
  Object.entries({
    short: SHORT_CREDITS,
    long: LONG_CREDITS,
    'one-line': '- Ode Pell',
    arabic: ARABIC_CREDITS,
    hebrew: HEBREW_CREDITS,
    hindi: HINDI_CREDITS,
  }).map(([id, text]) => [id, textToCredits(text).rows]),
);

const known = new WeakMap<Template, Map<string, Template>>();

/** A template whose credits are those of a sample, which no field takes. Asked again it gives the same object. */
export function sampleTemplate(template: Template, sampleId: string): Template {
  const rows = CREDITS[sampleId];
  if (rows === undefined || !template.layers.some(({ kind }) => kind === 'credits')) return template;
  const made = known.get(template) ?? new Map<string, Template>();
  known.set(template, made);
  const before = made.get(sampleId);
  if (before !== undefined) return before;
  const layers = template.layers.map((layer) => (layer.kind === 'credits' ? { ...layer, rows } : layer));
  const shown = { ...template, layers };
  made.set(sampleId, shown);
  return shown;
}

/** Words cut to a limit between two of them where that is possible. */
function cutToLimit(words: string, limit = Infinity): string {
  const letters = graphemesOf(words);
  if (letters.length <= limit) return words;
  const cut = letters.slice(0, limit + 1).join('');
  const space = cut.lastIndexOf(' ');
  return space > 0 ? cut.slice(0, space) : letters.slice(0, limit).join('');
}
