import { plainWords } from '../formats/captions/cueMarks';
import { rewordCue } from '../formats/captions/rewordCue';
import { InputError } from '../kit/inputError';
import type { Cue } from '../model/captions';
import { LONGEST_CUE } from '../model/captions';
import type { CreditRow } from '../model/credits';
import { LONGEST_CREDIT } from '../model/credits';
import type { Title } from '../model/project';
import type { Field, Template } from '../model/template';
import { airValue } from '../resolve/fieldValue';
import { parseField } from './cells';
import { withDeliveryChange } from './deliver';
import type { Work } from './work';

/** What is looked for in the words of a project. */
export interface WordSearch {
  readonly find: string;
  readonly replaceWith: string;
  readonly matchCase: boolean;
  readonly wholeWords: boolean;
}

/** Where words stand. */
export type WordPlace =
  | {
      readonly in: 'title';
      readonly titleId: string;
      /** The delivery whose own words they are; null for words that are said in all of them. */
      readonly deliveryId: string | null;
      readonly field: Field;
    }
  | {
      readonly in: 'credits';
      readonly titleId: string;
      readonly rowId: string;
      readonly cell: 'role' | 'name';
    }
  | { readonly in: 'captions'; readonly cueId: string; readonly cell: 'words' | 'speaker' };

/** A place that holds what is looked for, before and after. */
export interface WordHit {
  readonly place: WordPlace;
  readonly before: string;
  readonly after: string;
  /** The same as it is kept: captions keep their italics and colours. */
  readonly kept: string;
  /** Why it cannot say what would be there; empty when it can. */
  readonly problem: string;
}

/** A place by a name of its own. */
export function placeKey(place: WordPlace): string {
  switch (place.in) {
    case 'title':
      return `title ${place.titleId} ${place.deliveryId ?? ''} ${place.field.id}`;
    case 'credits':
      return `credits ${place.titleId} ${place.rowId} ${place.cell}`;
    case 'captions':
      return `captions ${place.cueId} ${place.cell}`;
  }
}

/**
 * Every place in whose words something is found: the fields of titles, typed or still the design's, with what single
 * deliveries say otherwise; the rows of credits; captions and who speaks them. In the order of titles, then of captions;
 * none for an empty search.
 */
export function findWords(
  { titles, cues }: Pick<Work, 'titles' | 'cues'>,
  search: WordSearch,
  templateOf: (editionId: string) => Template | undefined,
): WordHit[] {
  if (search.find === '') return [];
  const pattern = patternOf(search);
  const find: Find = (place, before, problem) => {
    pattern.lastIndex = 0;
    if (typeof before !== 'string' || !pattern.test(before)) return [];
    const after = before.replace(pattern, () => search.replaceWith);
    return [{ place, before, after, kept: after, problem: problem(after) }];
  };
  return [
    ...titles.flatMap((title) => [
      ...inTitle(title, templateOf(title.editionId), find),
      ...inCredits(title, find),
    ]),
    ...cues.flatMap((cue) => inCue(cue, pattern, search.replaceWith, find)),
  ];
}

type Find = (place: WordPlace, before: unknown, problem: (after: string) => string) => WordHit[];

function inTitle(title: Title, template: Template | undefined, find: Find): WordHit[] {
  const fields = template?.fields.filter(({ kind }) => kind === 'text' || kind === 'rows') ?? [];
  const place = { in: 'title', titleId: title.id } as const;
  return fields.flatMap((field) => {
    const problem = (after: string): string => problemOf(field, after);
    return [
      ...find({ ...place, deliveryId: null, field }, saidIn(title, template, field), problem),
      ...Object.entries(title.perDelivery).flatMap(([deliveryId, { values }]) =>
        find({ ...place, deliveryId, field }, values[field.id], problem),
      ),
    ];
  });
}

function inCredits({ id: titleId, credits }: Title, find: Find): WordHit[] {
  const problem = tooLong(LONGEST_CREDIT);
  return (credits?.rows ?? []).flatMap((row) => {
    const place = { in: 'credits', titleId, rowId: row.id } as const;
    return [
      ...find({ ...place, cell: 'role' }, row.kind === 'role' ? row.role : undefined, problem),
      ...find({ ...place, cell: 'name' }, 'name' in row ? row.name : undefined, problem),
    ];
  });
}

function inCue(cue: Cue, pattern: RegExp, replaceWith: string, find: Find): WordHit[] {
  const problem = tooLong(LONGEST_CUE);
  const place = { in: 'captions', cueId: cue.id } as const;
  const words = find({ ...place, cell: 'words' }, plainWords(cue.words), () => '').map((hit) => {
    const kept = replaceInCue(cue.words, pattern, replaceWith);
    return { ...hit, kept, problem: problem(kept) };
  });
  return [...words, ...find({ ...place, cell: 'speaker' }, cue.speaker, problem)];
}

/** The words of a cue with matches replaced one by one, the last first, so that marks between them stay. */
function replaceInCue(words: string, pattern: RegExp, replaceWith: string): string {
  const matches = [...plainWords(words).matchAll(pattern)].toReversed();
  return matches.reduce((now, { index, 0: found }) => {
    const plain = plainWords(now);
    return rewordCue(now, plain.slice(0, index) + replaceWith + plain.slice(index + found.length));
  }, words);
}

/** The work with hits replaced; titles and captions without any stay the same objects. */
export function replaceWords<T extends Pick<Work, 'titles' | 'cues'>>(work: T, hits: readonly WordHit[]): T {
  const byOwner = new Map<string, WordHit[]>();
  for (const hit of hits) {
    const owner = hit.place.in === 'captions' ? hit.place.cueId : hit.place.titleId;
    byOwner.set(owner, [...(byOwner.get(owner) ?? []), hit]);
  }
  const titles = work.titles.map((title) => (byOwner.get(title.id) ?? []).reduce(withHit, title));
  const cues = work.cues.map((cue) =>
    (byOwner.get(cue.id) ?? []).reduce(
      (now, { place, kept }) => (place.in === 'captions' ? { ...now, [place.cell]: kept } : now),
      cue,
    ),
  );
  return { ...work, titles, cues };
}

function withHit(title: Title, { place, kept }: WordHit): Title {
  if (place.in === 'captions') return title;
  if (place.in === 'credits') {
    const { credits } = title;
    if (credits === null || credits === undefined) return title;
    const rows = credits.rows.map((row) => (row.id === place.rowId ? withCell(row, place.cell, kept) : row));
    return { ...title, credits: { ...credits, rows } };
  }
  const { deliveryId, field } = place;
  if (deliveryId === null) return { ...title, values: { ...title.values, [field.id]: kept } };
  const before = title.perDelivery[deliveryId]?.values;
  return withDeliveryChange(title, deliveryId, { values: { ...before, [field.id]: kept } });
}

function withCell(row: CreditRow, cell: 'role' | 'name', words: string): CreditRow {
  if (cell === 'role') return row.kind === 'role' ? { ...row, role: words } : row;
  return 'name' in row ? { ...row, name: words } : row;
}

/** What a title says in a field: what was typed, else what goes to air by default, unless it fills itself. */
function saidIn(title: Title, template: Template | undefined, field: Field): unknown {
  const typed = title.values[field.id];
  if (typed !== undefined || template === undefined || field.automatic !== null) return typed;
  return airValue(template, field);
}

function problemOf(field: Field, after: string): string {
  try {
    parseField(field, after);
    return '';
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return `it takes ${error.problems[0].expected}`;
  }
}

const tooLong =
  (most: number) =>
  (after: string): string =>
    after.length > most ? `it takes at most ${most} characters` : '';

function patternOf({ find, matchCase, wholeWords }: WordSearch): RegExp {
  const literal = find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const edged = wholeWords ? `(?<![\\p{L}\\p{M}\\p{N}])${literal}(?![\\p{L}\\p{M}\\p{N}])` : literal;
  return new RegExp(edged, matchCase ? 'gu' : 'giu');
}
