import type { Delivery } from '../model/plan';
import type { CameAs, KeptWords, Title } from '../model/project';
import { LONGEST_LABEL, MOST_KEPT } from '../model/project';
import type { Field, FieldKind, FieldValue, FieldValues, Template } from '../model/template';
import { isAsElsewhere } from './deliver';

/** Something that a title has, looking for a field. */
export interface Source {
  readonly key: string;
  /** What it was called where it was typed. */
  readonly label: string;
  readonly kind: FieldKind;
  readonly value: FieldValue;
  /** Whether it is said in all deliveries, or only in some that have words of their own. */
  readonly everywhere: boolean;
}

type SwappedTitle = Pick<Title, 'values' | 'kept' | 'perDelivery' | 'cameAs' | 'moments'>;

/** How words are matched. */
interface SwapOptions {
  readonly sameTemplate?: boolean;
  /** Decides for single fields of the new template: a source's key, or null for nothing. */
  readonly chosen?: Readonly<Record<string, string | null>>;
  /** By whose names words are kept that only one of them has. */
  readonly deliveries?: readonly Pick<Delivery, 'id' | 'name'>[];
}

/** What one field of the new template gets; null where nothing fits and the design's own value shows. */
interface SwapMatch {
  readonly field: Field;
  readonly source: Source | null;
}

/** What a title gets from another template: what goes where, and the words that no field takes. */
export interface Swap {
  readonly matches: readonly SwapMatch[];
  readonly values: FieldValues;
  /** What single deliveries have otherwise, in the fields that their words went to. */
  readonly perDelivery: Title['perDelivery'];
  readonly kept: readonly KeptWords[];
  /** What the words were called that went to a field of another name. */
  readonly cameAs: NonNullable<Title['cameAs']>;
  /** The moments of rows, with the field that the rows went to. */
  readonly moments: NonNullable<Title['moments']>;
}

/** The words that a title has: those typed into fields of its template, and those that are kept with it. */
export function sourcesOf(title: SwappedTitle, from: Template | undefined): Source[] {
  const fields = new Map(from?.fields.map((field) => [field.id, field]));
  const order = [...fields.keys()];
  const inSome = Object.values(title.perDelivery).flatMap(({ values }) => Object.entries(values));
  const typed = [...new Map([...inSome, ...Object.entries(title.values)])]
    .map(([id, value]): Source => {
      const field = fields.get(id);
      const everywhere = title.values[id] !== undefined;
      const came = title.cameAs?.[id];
      const label = came !== undefined && came.value === value ? came.label : (field?.label ?? id);
      return { key: id, label, kind: field?.kind ?? kindOf(value), value, everywhere };
    })
    .sort((a, b) => rank(order, a.key) - rank(order, b.key));
  const kept = title.kept.map(({ label, value }, i): Source => ({
    key: `kept ${i}`,
    label,
    kind: kindOf(value),
    value,
    everywhere: true,
  }));
  return [...typed, ...kept];
}

/**
 * Matches a title's words to the fields of another template: by meaning (the same name, then a name that stands for
 * the same thing, then the same kind in the same order), or, for another edition of its own template, by the field
 * itself first. Words without a field are kept, those of single deliveries too.
 */
export function swapTemplate(
  title: SwappedTitle,
  from: Template | undefined,
  to: Template,
  options: SwapOptions = {},
): Swap {
  const free = sourcesOf(title, from);
  const taken = new Map<string, Source | null>();
  const take = (field: Field, index: number): void => {
    if (index < 0) return;
    const [source] = free.splice(index, 1);
    taken.set(field.id, source);
  };
  for (const field of to.fields) {
    const key = options.chosen?.[field.id];
    if (key === null) taken.set(field.id, null);
    else if (key !== undefined)
      take(
        field,
        free.findIndex((source) => source.key === key && canTake(field, source)),
      );
  }
  for (const fits of options.sameTemplate === true ? [BY_ID, ...BY_MEANING] : BY_MEANING) {
    for (const field of to.fields) {
      if (taken.has(field.id)) continue;
      take(
        field,
        free.findIndex((source) => canTake(field, source) && fits(field, source)),
      );
    }
  }
  const matches = to.fields.map((field) => ({ field, source: taken.get(field.id) ?? null }));
  const said = matches.flatMap(({ field, source }) =>
    source?.everywhere === true ? [{ field, source }] : [],
  );
  const own = swapDeliveries(title, from, matches, options.deliveries ?? []);
  const left = free.filter((source) => source.everywhere && isWorthKeeping(source.value));
  return {
    matches,
    values: Object.fromEntries(said.map(({ field, source }) => [field.id, source.value])),
    perDelivery: own.perDelivery,
    kept: [...left.map(({ label, value }) => ({ label, value })), ...own.kept],
    cameAs: Object.fromEntries(said.flatMap(cameFrom).slice(0, MOST_KEPT)),
    moments: Object.fromEntries(
      said.flatMap(({ field, source }) => {
        const own = title.moments?.[source.key];
        return own === undefined ? [] : [[field.id, own]];
      }),
    ),
  };
}

/** What the words of a field were called before, when that was something else. */
function cameFrom({ field, source }: { readonly field: Field; readonly source: Source }): [string, CameAs][] {
  const { label, value } = source;
  if (plainName(label) === plainName(field.label)) return [];
  return [[field.id, { label: label.slice(0, LONGEST_LABEL), value }]];
}

/** What deliveries have otherwise goes where the words that it stands for went; else it is kept under both names. */
function swapDeliveries(
  title: SwappedTitle,
  from: Template | undefined,
  matches: readonly SwapMatch[],
  deliveries: readonly Pick<Delivery, 'id' | 'name'>[],
): Pick<Swap, 'perDelivery' | 'kept'> {
  const sources = new Map(sourcesOf(title, from).map((source) => [source.key, source]));
  const kept: KeptWords[] = [];
  const changes = Object.entries(title.perDelivery).map(([deliveryId, change]) => {
    const name = deliveries.find(({ id }) => id === deliveryId)?.name ?? 'one delivery';
    const values = Object.entries(change.values).flatMap(([id, value]) => {
      const source = sources.get(id);
      const field = matches.find((match) => match.source?.key === id)?.field;
      if (source !== undefined && field !== undefined && canTake(field, { ...source, value }))
        return [[field.id, value]];
      const label = `${source?.label ?? id} in ${name}`.slice(0, LONGEST_LABEL);
      if (isWorthKeeping(value)) kept.push({ label, value });
      return [];
    });
    return [deliveryId, { ...change, values: Object.fromEntries(values) }] as const;
  });
  return { perDelivery: Object.fromEntries(changes.filter(([, change]) => !isAsElsewhere(change))), kept };
}

/** A title on another edition, with its words where they belong. */
export function swapTitle(
  title: Title,
  from: Template | undefined,
  to: { readonly id: string; readonly document: Template },
  options: SwapOptions = {},
): Title {
  const { matches: _, ...swapped } = swapTemplate(title, from, to.document, options);
  return { ...title, editionId: to.id, ...swapped };
}

type Fits = (field: Field, source: Source) => boolean;

const BY_ID: Fits = (field, source) => field.id === source.key;

// Names that stand for the same thing in the trade's templates.
const MEANINGS: readonly (readonly string[])[] = [
  'name, title, headline, heading, who, who said it, said by, person, speaker, full name, person name, name of person, ' +
    'guest, guest name, contributor, interviewee, line 1, first line, top line',
  'role, line, subtitle, subheading, description, job, function, second line, job title, job role, occupation, ' +
    'profession, position, affiliation, line 2, bottom line',
  'place, where, location, place name, town',
  'when, date, time, date or tide, day',
  'quote, words, text, body',
].map((names) => names.split(', '));

/** A name without capitals and what is not a letter or figure. */
export function plainName(label: string): string {
  return label
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, ' ')
    .trim();
}

/** Whether two names stand for the same thing. */
export function sameMeaning(a: string, b: string): boolean {
  const [x, y] = [plainName(a), plainName(b)];
  return x === y || MEANINGS.some((names) => names.includes(x) && names.includes(y));
}

const isText = (kind: FieldKind): boolean => kind === 'text' || kind === 'rows';
const BY_MEANING: readonly Fits[] = [
  (field, source) => plainName(field.label) === plainName(source.label),
  (field, source) => sameMeaning(field.label, source.label),
  // A list goes into a list before it goes into a line.
  (field, source) => field.kind === 'rows' && source.kind === 'rows',
  (field, source) => isText(field.kind) && isText(source.kind),
];

/** Whether a field can show what a source says at all. */
export function canTake(field: Field, { kind, value }: Source): boolean {
  switch (field.kind) {
    case 'text':
      return isText(kind) || kind === 'date' || kind === 'number';
    case 'rows':
      return isText(kind);
    case 'choice':
      return (field.limits.choices ?? []).some((choice) => choice.value === value);
    case 'number':
      return Number.isFinite(typeof value === 'string' && value.trim() === '' ? NaN : Number(value));
    case 'switch':
      return typeof value === 'boolean';
    default:
      return kind === field.kind;
  }
}

function isWorthKeeping(value: FieldValue): boolean {
  return typeof value !== 'string' || value.trim() !== '';
}

function kindOf(value: FieldValue): FieldKind {
  if (typeof value === 'boolean') return 'switch';
  if (typeof value === 'number') return 'number';
  return /^#[0-9a-f]{6}$/.test(value) ? 'colour' : 'text';
}

function rank(order: readonly string[], key: string): number {
  const at = order.indexOf(key);
  return at < 0 ? order.length : at;
}
