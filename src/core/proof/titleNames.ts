import type { Title } from '../model/project';
import type { Template } from '../model/template';
import { isForNames } from './checks/spelling';
import { wordsOf } from './speller';

const known = new WeakMap<Title, { readonly template: Template; readonly names: readonly string[] }>();

/** The words of a title that stand in fields for names, and those of names in its credits, as they are typed. */
function namesOf(title: Title, template: Template): readonly string[] {
  const before = known.get(title);
  if (before?.template === template) return before.names;
  const names = template.fields.flatMap((field) => {
    const value = title.values[field.id];
    return field.kind === 'text' && typeof value === 'string' && isForNames({ field })
      ? wordsOf(value).map(({ text }) => text.toLowerCase())
      : [];
  });
  const credited = (title.credits?.rows ?? []).flatMap((row) =>
    row.kind === 'role' || row.kind === 'name' ? wordsOf(row.name).map(({ text }) => text.toLowerCase()) : [],
  );
  const all = [...names, ...credited];
  known.set(title, { template, names: all });
  return all;
}

/** The names that the titles of a project have, each once and in order: captions that say them spell them so. */
export function titleNames(
  titles: readonly Title[],
  templateOf: (editionId: string) => Template | undefined,
): readonly string[] {
  const names = new Set<string>();
  for (const title of titles) {
    const template = title.caption === undefined ? templateOf(title.editionId) : undefined;
    if (template !== undefined) for (const name of namesOf(title, template)) names.add(name);
  }
  return [...names].sort();
}
