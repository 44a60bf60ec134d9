import { bindLayer } from '../layers';
import { sameValue } from '../kit/sameValue';
import type { Layer, Template } from '../model/template';

/** What a difference between two editions is about. */
type DiffArea = 'timing' | 'fields' | 'layers' | 'motion' | 'layout';

/** One thing that two editions of a template have differently, in words for an editor. */
export interface TemplateDifference {
  readonly area: DiffArea;
  readonly words: string;
}

// A layer with more changes than this is told as changed, or the list would be no help.
const MOST_OF_A_LAYER = 3;

/**
 * What is different between two editions of a template: how long its in, hold and out take, its fields, its layers and
 * what is set on them, their motion, and what formats have otherwise. Empty for editions that are painted alike.
 */
export function templateDifferences(before: Template, after: Template): TemplateDifference[] {
  return [
    ...timing(before, after),
    ...fields(before, after),
    ...layers(before, after),
    ...formats(before, after),
  ];
}

function timing({ timing: a }: Template, { timing: b }: Template): TemplateDifference[] {
  const parts = [
    ['In', a.inSeconds, b.inSeconds],
    ['Hold', a.holdSeconds, b.holdSeconds],
    ['Out', a.outSeconds, b.outSeconds],
  ] as const;
  return parts.flatMap(([name, was, is]) =>
    was === is ? [] : [{ area: 'timing' as const, words: `${name}: ${was} s → ${is} s` }],
  );
}

function fields(before: Template, after: Template): TemplateDifference[] {
  const said = (words: string): TemplateDifference => ({ area: 'fields', words });
  const old = new Map(before.fields.map((field) => [field.id, field]));
  const now = new Set(after.fields.map(({ id }) => id));
  return [
    ...before.fields.filter(({ id }) => !now.has(id)).map(({ label }) => said(`Field “${label}” is gone`)),
    ...after.fields.flatMap((field) => {
      const was = old.get(field.id);
      if (was === undefined) return [said(`Field “${field.label}” is new`)];
      return [
        ...(was.label === field.label ? [] : [said(`Field “${was.label}” is called “${field.label}”`)]),
        ...(was.required === field.required
          ? []
          : [said(`“${field.label}” ${field.required ? 'must be filled' : 'may be empty'}`)]),
        ...(sameValue(was.limits, field.limits) ? [] : [said(`“${field.label}” has other limits`)]),
      ];
    }),
  ];
}

function layers(before: Template, after: Template): TemplateDifference[] {
  const old = new Map(before.layers.map((layer) => [layer.id, layer]));
  const now = new Set(after.layers.map(({ id }) => id));
  const order = (list: readonly Layer[], known: (id: string) => boolean): string =>
    list
      .map(({ id }) => id)
      .filter(known)
      .join(' ');
  const sameOrder = order(before.layers, (id) => now.has(id)) === order(after.layers, (id) => old.has(id));
  return [
    ...before.layers
      .filter(({ id }) => !now.has(id))
      .map(({ name }) => ({ area: 'layers' as const, words: `“${name}” is gone` })),
    ...after.layers.flatMap((layer) => {
      const was = old.get(layer.id);
      return was === undefined
        ? [{ area: 'layers' as const, words: `“${layer.name}” is new` }]
        : changes(was, layer);
    }),
    ...(sameOrder ? [] : [{ area: 'layers' as const, words: 'Layers lie in another order' }]),
  ];
}

function changes(before: Layer, after: Layer): TemplateDifference[] {
  const found: TemplateDifference[] = [];
  if (!sameValue(before.motion, after.motion))
    found.push({ area: 'motion', words: `“${after.name}” moves otherwise` });
  const old = new Map(bindLayer(before).properties.map((property) => [property.path, property]));
  const set = bindLayer(after).properties.flatMap(({ path, label, value, control }) => {
    // A state is told by the parts that it is made of.
    const was = control.kind === 'state' ? undefined : old.get(path);
    return was === undefined || was.value === value ? [] : [`${label} ${short(was.value)} → ${short(value)}`];
  });
  const { motion: _, ...plainBefore } = before;
  const { motion: __, ...plainAfter } = after;
  const more = set.length === 0 && !sameValue(plainBefore, plainAfter);
  if (set.length > MOST_OF_A_LAYER || more)
    found.push({ area: 'layout', words: `“${after.name}” is set otherwise` });
  else
    found.push(
      ...set.map((words): TemplateDifference => ({ area: 'layout', words: `“${after.name}”: ${words}` })),
    );
  return found;
}

function short(value: unknown): string {
  const text = typeof value === 'number' ? String(Number(value.toFixed(2))) : String(value);
  return text.length > 24 ? `${text.slice(0, 23)}…` : text === '' ? 'empty' : text;
}

function formats(before: Template, after: Template): TemplateDifference[] {
  return sameValue(before.overrides, after.overrides) && sameValue(before.areas, after.areas)
    ? []
    : [{ area: 'layout', words: 'Some formats have it otherwise' }];
}
