import { freeName } from '../kit/freeName';
import { membersOf, renameReferences } from '../model/references';
import type { Field, FieldTarget, Layer, Override, Template } from '../model/template';
import { placeAbove } from './layerOrder';
import { removeLayer } from './removeLayer';

/** Layers that were copied, and the template that they were copied from, for all that belongs to them. */
export interface LayerClip {
  readonly from: Template;
  /** In the order of the template's layers, with the members of groups and stacks. */
  readonly layerIds: readonly string[];
}

/** A template with pasted layers, and their ids: those that hold the others first. */
export interface Pasted {
  readonly template: Template;
  readonly layerIds: readonly string[];
}

/** Copies layers; null when none of them is there. Groups and stacks bring their members with them. */
export function copyLayers(template: Template, layerIds: readonly string[]): LayerClip | null {
  const byId = new Map(template.layers.map((layer) => [layer.id, layer]));
  const held = (id: string): string[] => {
    const layer = byId.get(id);
    return layer === undefined ? [] : [id, ...membersOf(layer).flatMap(held)];
  };
  const wanted = new Set(layerIds.flatMap(held));
  const ordered = template.layers.filter(({ id }) => wanted.has(id)).map(({ id }) => id);
  return ordered.length === 0 ? null : { from: template, layerIds: ordered };
}

/**
 * Pastes layers in their places, right above `above` (on top for null), with fields and overrides of their own. What they
 * refer to and is not with them stays what it is in the template that they come from (`home`), and gives way to their own
 * place and size in any other.
 */
export function pasteLayers(
  template: Template,
  { from, layerIds }: LayerClip,
  { above, home }: { readonly above: string | null; readonly home: boolean },
): Pasted {
  const stays = new Set([...layerIds, ...(home ? template.layers.map(({ id }) => id) : [])]);
  const gone = from.layers.filter(({ id }) => !stays.has(id)).map(({ id }) => id);
  const source = gone.reduce(removeLayer, from);
  const pasted = source.layers.filter(({ id }) => layerIds.includes(id));
  const names = newIds(
    template.layers.map(({ id }) => id),
    pasted.map(({ id }) => id),
  );
  const to = (id: string): string => names.get(id) ?? id;
  const taken = new Set(template.layers.map(({ name }) => name));
  const layers = pasted.map((layer) => {
    const name = freeName(layer.name, taken, NAME_LENGTH);
    taken.add(name);
    return { ...renameReferences(layer, to), id: to(layer.id), name };
  });
  const fields = pastedFields(template, source, names);
  const overrides = source.overrides.flatMap((one): Override[] => {
    const layerId = names.get(one.layerId);
    return layerId === undefined ? [] : [{ ...one, layerId }];
  });
  const at = placeAbove(template, above);
  return {
    template: {
      ...template,
      layers: template.layers.toSpliced(at, 0, ...layers),
      fields: [...template.fields, ...fields],
      overrides: [...template.overrides, ...overrides],
    },
    layerIds: outermost(layers),
  };
}

/** The layers that no other of them holds. */
function outermost(layers: readonly Layer[]): string[] {
  const held = new Set(layers.flatMap(membersOf));
  return layers.map(({ id }) => id).filter((id) => !held.has(id));
}

// The longest id that a template may have, with room for a number.
const ID_LENGTH = 58;

/** A free id for each of some that are wanted. */
function newIds(taken: readonly string[], wanted: readonly string[]): Map<string, string> {
  const used = new Set(taken);
  const names = new Map<string, string>();
  for (const id of wanted) {
    let free = id;
    for (let n = 2; used.has(free); n++) free = `${id.slice(0, ID_LENGTH)}-${n}`;
    used.add(free);
    names.set(id, free);
  }
  return names;
}

const NAME_LENGTH = 80;

/** The fields that set something of pasted layers, setting only that. */
function pastedFields(template: Template, source: Template, names: ReadonlyMap<string, string>): Field[] {
  const own = <T extends FieldTarget>(targets: readonly T[]): T[] =>
    targets.flatMap((target) => {
      const layerId = names.get(target.layerId);
      return layerId === undefined ? [] : [{ ...target, layerId }];
    });
  const concerned = source.fields
    .map((field) => withTargets(field, own))
    .filter(({ targets, limits }) => targets.length > 0 || limits.choices?.some((one) => one.sets?.length));
  const ids = newIds(
    template.fields.map(({ id }) => id),
    concerned.map(({ id }) => id),
  );
  const labels = new Set(template.fields.map(({ label }) => label));
  return concerned.map((field) => {
    const label = freeName(field.label, labels, NAME_LENGTH);
    labels.add(label);
    return { ...field, id: ids.get(field.id) ?? field.id, label };
  });
}

function withTargets(field: Field, own: <T extends FieldTarget>(targets: readonly T[]) => T[]): Field {
  const { choices } = field.limits;
  if (choices === undefined) return { ...field, targets: own(field.targets) };
  const kept = choices.map((choice) =>
    choice.sets === undefined ? choice : { ...choice, sets: own(choice.sets) },
  );
  return { ...field, targets: own(field.targets), limits: { ...field.limits, choices: kept } };
}
