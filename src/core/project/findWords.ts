import type { Title } from '../document/project';
import type { Field, Template } from '../document/template';

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
  readonly field: Field;
  readonly before: string;
  readonly after: string;
}

/** Every field of words in which something is found, in the order of the titles; none for an empty search. */
export function findWords(
  titles: readonly Title[],
  search: WordSearch,
  templateOf: (editionId: string) => Template | undefined,
): WordHit[] {
  if (search.find === '') return [];
  const pattern = patternOf(search);
  return titles.flatMap((title) =>
    (templateOf(title.editionId)?.fields ?? []).flatMap((field): WordHit[] => {
      const before = title.values[field.id];
      if (typeof before !== 'string' || !['text', 'rows'].includes(field.kind)) return [];
      const after = before.replace(pattern, () => search.replaceWith);
      pattern.lastIndex = 0;
      return pattern.test(before) ? [{ titleId: title.id, field, before, after }] : [];
    }),
  );
}

/** The titles with hits replaced. */
export function replaceWords(titles: readonly Title[], hits: readonly WordHit[]): readonly Title[] {
  const byTitle = new Map<string, Record<string, string>>();
  for (const { titleId, field, after } of hits)
    byTitle.set(titleId, { ...byTitle.get(titleId), [field.id]: after });
  return titles.map((title) => {
    const changed = byTitle.get(title.id);
    return changed === undefined ? title : { ...title, values: { ...title.values, ...changed } };
  });
}

function patternOf({ find, matchCase, wholeWords }: WordSearch): RegExp {
  const literal = find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const edged = wholeWords ? `(?<![\\p{L}\\p{M}\\p{N}])${literal}(?![\\p{L}\\p{M}\\p{N}])` : literal;
  return new RegExp(edged, matchCase ? 'gu' : 'giu');
}
