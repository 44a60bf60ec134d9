import { sameValue } from '../kit/sameValue';
import type { House } from './house';
import type { Template } from './template';

/** What lists its entries by name; the rest of the house are figures and choices. */
const LISTS = ['colours', 'faces', 'finishes', 'moves', 'presets'] as const;

type HousePart = Exclude<keyof House, (typeof LISTS)[number]>;

// By name, so that what the house says next cannot be forgotten here.
const PARTS: Readonly<Record<HousePart, true>> = {
  timing: true,
  reading: true,
  checks: true,
  captions: true,
  credits: true,
  filesDays: true,
  areas: true,
  language: true,
};

/** Something of the house that has another value now. */
export type HouseChange =
  | { readonly kind: 'colour'; readonly name: string; readonly from: string; readonly to: string }
  | { readonly kind: 'face'; readonly name: string; readonly from: string; readonly to: string }
  | { readonly kind: HousePart }
  /** Entries that were added, taken away, renamed or are found otherwise: nothing that is made already changes by it. */
  | { readonly kind: 'names' };

/** What differs between two states of the house. */
export function houseChanges(before: House, after: House): HouseChange[] {
  const colours = after.colours.flatMap((colour): HouseChange[] => {
    const old = before.colours.find(({ id }) => id === colour.id);
    return old === undefined || old.colour === colour.colour
      ? []
      : [{ kind: 'colour', name: colour.name, from: old.colour, to: colour.colour }];
  });
  const faces = after.faces.flatMap((face): HouseChange[] => {
    const old = before.faces.find(({ id }) => id === face.id);
    return old === undefined || old.face === face.face
      ? []
      : [{ kind: 'face', name: face.name, from: old.face, to: face.face }];
  });
  // A record of parts has no other keys.
  const parts = (Object.keys(PARTS) as HousePart[])
    .filter((kind) => !sameValue(before[kind], after[kind]))
    .map((kind) => ({ kind }));
  const names = LISTS.every((list) => sameValue(listed(before[list]), listed(after[list])))
    ? []
    : [{ kind: 'names' as const }];
  return [...colours, ...faces, ...parts, ...names];
}

/** Entries without the values that are changes of their own. */
function listed(list: House[(typeof LISTS)[number]] = []): unknown {
  return list.map((entry) => ({ ...entry, colour: null, face: null }));
}

/**
 * A template with the changes of the house made in it: a layer that has a colour or a face of the house has it by its
 * value, so that every place with exactly that value follows. The same object where nothing in it changes.
 */
export function followHouse(template: Template, changes: readonly HouseChange[]): Template {
  // All at once: what becomes one colour is not taken for what that colour was.
  return replaced(
    replaced(template, 'colour', changedValues('colour', changes)),
    'face',
    changedValues('face', changes),
  );
}

/** What each value becomes; of two entries with one value the first counts. */
function changedValues(
  kind: 'colour' | 'face',
  changes: readonly HouseChange[],
): ReadonlyMap<string, string> {
  const values = new Map<string, string>();
  for (const change of changes)
    if (change.kind === kind && !values.has(change.from)) values.set(change.from, change.to);
  return values;
}

/** In how many places a template has a value of the house. */
export function usesOf(template: Template, kind: 'colour' | 'face', value: string): number {
  let count = 0;
  walk([template.layers, template.fields, template.overrides, template.backdrop], '', (key, text) => {
    if (text === value && counts(kind, key)) count++;
    return text;
  });
  return count;
}

/** How many layers of a template have a finish of the house on. */
export function finishUses(template: Template, finishId: string): number {
  return template.layers.filter((layer) => layer.finish === finishId).length;
}

/** How many layers of a template move as a kept move of the house does. */
export function moveUses(template: Template, move: House['moves'][number]): number {
  return template.layers.filter(
    ({ motion }) =>
      motion.in.length > 0 && sameValue(motion.in, move.motion.in) && sameValue(motion.out, move.motion.out),
  ).length;
}

function replaced(
  template: Template,
  kind: 'colour' | 'face',
  values: ReadonlyMap<string, string>,
): Template {
  let found = false;
  const swap = <T>(value: T): T =>
    // A walk gives back what it is given, with other texts in it.
    walk(value, '', (key, text) => {
      const to = values.get(text);
      if (to === undefined || !counts(kind, key)) return text;
      found = true;
      return to;
    }) as T;
  const { layers, fields, overrides, backdrop } = template;
  const next = {
    ...template,
    layers: swap(layers),
    fields: swap(fields),
    overrides: swap(overrides),
    backdrop: kind === 'colour' ? swap(backdrop) : backdrop,
  };
  return found ? next : template;
}

/** Words that somebody typed are never taken for a colour, and only what is called a face is one. */
function counts(kind: 'colour' | 'face', key: string): boolean {
  if (kind === 'face') return key === 'face' || key === 'value';
  return !['text', 'rows', 'role', 'name', 'label', 'help', 'id'].includes(key);
}

function walk(value: unknown, key: string, change: (key: string, text: string) => string): unknown {
  if (typeof value === 'string') return change(key, value);
  if (Array.isArray(value)) return value.map((item) => walk(item, key, change));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, part]) => [name, walk(part, name, change)]));
}
