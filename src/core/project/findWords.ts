import { airValue } from '../resolve/fieldValue';
import type { Title } from '../model/project';
import type { Field, Template } from '../model/template';
import { InputError } from '../kit/inputError';
import { parseField } from './cells';
import { withDeliveryChange } from './deliver';

/** What is looked for in the words of titles. */
export interface WordSearch {
  readonly find: string;
  readonly replaceWith: string;
  readonly matchCase: boolean;
  readonly wholeWords: boolean;
}

/** A field that holds what is looked for, before and after. */
export interface WordHit {
  readonly titleId: string;
  /** The delivery whose own words they are; null for words that are said in all of them. */
  readonly deliveryId: string | null;
  readonly field: Field;
  readonly before: string;
  readonly after: string;
  /** Why the field cannot say what would be there; empty when it can. */
  readonly problem: string;
}

/**
 * Every field in whose words something is found, typed or still the design's, in the order of the titles, with what
 * single deliveries say otherwise; none for an empty search.
 */
export function findWords(
  titles: readonly Title[],
  search: WordSearch,
  templateOf: (editionId: string) => Template | undefined,
): WordHit[] {
  if (search.find === '') return [];
  const pattern = patternOf(search);
  const hit = (titleId: string, deliveryId: string | null, field: Field, before: unknown): WordHit[] => {
    pattern.lastIndex = 0;
    if (typeof before !== 'string' || !pattern.test(before)) return [];
    const after = before.replace(pattern, () => search.replaceWith);
    return [{ titleId, deliveryId, field, before, after, problem: problemOf(field, after) }];
  };
  return titles.flatMap((title) => {
    const template = templateOf(title.editionId);
    const fields = template?.fields.filter(({ kind }) => kind === 'text' || kind === 'rows') ?? [];
    return fields.flatMap((field) => [
      ...hit(title.id, null, field, saidIn(title, template, field)),
      ...Object.entries(title.perDelivery).flatMap(([id, { values }]) =>
        hit(title.id, id, field, values[field.id]),
      ),
    ]);
  });
}

/** The titles with hits replaced. */
export function replaceWords(titles: readonly Title[], hits: readonly WordHit[]): readonly Title[] {
  const byTitle = new Map<string, WordHit[]>();
  for (const hit of hits) byTitle.set(hit.titleId, [...(byTitle.get(hit.titleId) ?? []), hit]);
  return titles.map((title) =>
    (byTitle.get(title.id) ?? []).reduce((now, { deliveryId, field, after }) => {
      if (deliveryId === null) return { ...now, values: { ...now.values, [field.id]: after } };
      const before = now.perDelivery[deliveryId]?.values;
      return withDeliveryChange(now, deliveryId, { values: { ...before, [field.id]: after } });
    }, title),
  );
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

function patternOf({ find, matchCase, wholeWords }: WordSearch): RegExp {
  const literal = find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const edged = wholeWords ? `(?<![\\p{L}\\p{M}\\p{N}])${literal}(?![\\p{L}\\p{M}\\p{N}])` : literal;
  return new RegExp(edged, matchCase ? 'gu' : 'giu');
}
