import type { Title } from '../model/project';
import type { FieldValues } from '../model/template';

/** A row's title before anybody knows which title of the project it is. */
export interface RowTitle {
  readonly index: number;
  readonly title: Title;
  /** Whether the row says when it starts. */
  readonly timed: boolean;
}

// Titles further apart than this are two, unless they say the same.
const NEAR_SECONDS = 5;

/** Titles that a row may be, by whatever they have in common with it: never all of them, or thousands would take minutes. */
type Candidates = (row: RowTitle) => readonly Title[];

/**
 * Which titles of a project the rows of a sheet are, for rows that name no id: by template, words and time. What says
 * the same is the same, the nearest in time first; then what starts at the same moment with the same template, of titles
 * that the same sheet made (`fromSheet`); then what
 * says most of the same nearby; then what says the same in another template. No title is taken twice. By row index.
 */
export function matchRows(
  rows: readonly RowTitle[],
  existing: readonly Title[],
  framesPerSecond: number,
  templateIdOf: (editionId: string) => string | undefined,
  fromSheet: (titleId: string) => boolean = () => false,
): ReadonlyMap<number, Title> {
  const matched = new Map<number, Title>();
  const free = new Set(existing);
  const near = NEAR_SECONDS * framesPerSecond;
  const template = ({ editionId }: Title): string => templateIdOf(editionId) ?? editionId;
  const words = (title: Title): string => `${template(title)} ${wordKey(title.values)}`;
  const moment = (title: Title): string => `${template(title)} ${title.startFrame}`;
  const alike = ({ title }: RowTitle, other: Title): number => share(title.values, other.values);
  const inTime = bySecond(existing, near);
  const sayingOne = groupBy(existing, (title) => eachWord(title).map((word) => `${template(title)} ${word}`));
  const rules: readonly { readonly among: Candidates; fits?(row: RowTitle, other: Title): boolean }[] = [
    { among: by(existing, words), fits: ({ title }) => wordKey(title.values) !== '' },
    {
      among: by(existing, moment),
      fits: ({ timed }, other) => timed && fromSheet(other.id),
    },
    {
      among: (row) =>
        row.timed
          ? inTime(row.title)
          : eachWord(row.title).flatMap((word) =>
              (sayingOne.get(`${template(row.title)} ${word}`) ?? []).slice(0, MOST_LOOKED_AT),
            ),
      fits: (row, other) => template(row.title) === template(other) && alike(row, other) >= 0.5,
    },
    {
      among: by(existing, ({ startFrame }) => String(startFrame)),
      fits: ({ title, timed }, other) => timed && sharedWords(title, other) >= 0.5,
    },
  ];
  for (const { among, fits } of rules) {
    for (const row of rows) {
      if (matched.has(row.index)) continue;
      const fitting = among(row).filter((other) => free.has(other) && (fits?.(row, other) ?? true));
      const found = nearest(row, fitting);
      if (found === undefined) continue;
      matched.set(row.index, found);
      free.delete(found);
    }
  }
  return matched;
}

const MOST_LOOKED_AT = 50;

/** Of titles that a row may be the one that starts nearest to it; the first for a row without a time. */
function nearest({ title, timed }: RowTitle, others: readonly Title[]): Title | undefined {
  const apart = (other: Title): number => (timed ? Math.abs(title.startFrame - other.startFrame) : 0);
  let best = others[0];
  for (const other of others) if (apart(other) < apart(best)) best = other;
  return best;
}

/** Titles with the same key as a row's. */
function by(titles: readonly Title[], keyOf: (title: Title) => string): Candidates {
  const groups = groupBy(titles, (title) => [keyOf(title)]);
  return ({ title }) => groups.get(keyOf(title)) ?? [];
}

function groupBy(
  titles: readonly Title[],
  keysOf: (title: Title) => readonly string[],
): ReadonlyMap<string, readonly Title[]> {
  const groups = new Map<string, Title[]>();
  for (const title of titles)
    for (const key of keysOf(title)) {
      const group = groups.get(key);
      if (group === undefined) groups.set(key, [title]);
      else group.push(title);
    }
  return groups;
}

/** Titles that start within some frames of one. */
function bySecond(titles: readonly Title[], near: number): (title: Title) => readonly Title[] {
  const step = Math.max(1, near);
  const groups = groupBy(titles, ({ startFrame }) => [String(Math.floor(startFrame / step))]);
  return ({ startFrame }) => {
    const at = Math.floor(startFrame / step);
    return [at - 1, at, at + 1]
      .flatMap((key) => groups.get(String(key)) ?? [])
      .filter((other) => Math.abs(other.startFrame - startFrame) <= near);
  };
}

/** All that a title says, so that what says the same has the same key; empty for one that says nothing. */
function wordKey(values: FieldValues): string {
  const parts = Object.entries(values)
    .filter(([, value]) => said(value) !== '')
    .map(([id, value]) => `${id}=${said(value)}`);
  return parts.toSorted().join('\n');
}

const eachWord = ({ values }: Title): string[] =>
  Object.entries(values).flatMap(([id, value]) => (said(value) === '' ? [] : [`${id}=${said(value)}`]));

const said = (value: unknown): string => String(value).trim().toLocaleLowerCase('und');

/** How much of what a row says a title says too, from 0 to 1; 0 for a row without words. */
function share(row: FieldValues, other: FieldValues): number {
  const ids = Object.keys(row).filter((id) => said(row[id]) !== '');
  const same = ids.filter((id) => said(row[id]) === said(other[id] ?? ''));
  return ids.length === 0 ? 0 : same.length / ids.length;
}

/** The same across templates: whatever the fields are called, and with what no field takes. */
function sharedWords(row: Title, other: Title): number {
  const all = ({ values, kept }: Title): string[] =>
    [...Object.values(values), ...kept.map(({ value }) => value)].map(said).filter((one) => one !== '');
  const words = new Set(all(other));
  const own = all(row);
  return own.length === 0 ? 0 : own.filter((one) => words.has(one)).length / own.length;
}
