import { membersOf } from '../model/references';
import type { Template } from '../model/template';

/**
 * Where in the order a layer goes that is to be seen right above another: above the groups and stacks that hold that one,
 * and above every background that would hide it. On top for null.
 */
export function placeAbove({ layers }: Template, layerId: string | null): number {
  if (layerId === null) return 0;
  const holderOf = (id: string): string | undefined => layers.find((one) => membersOf(one).includes(id))?.id;
  let [at, id]: [number, string | undefined] = [layers.length, layerId];
  for (const seen = new Set<string>(); id !== undefined && !seen.has(id); id = holderOf(id)) {
    seen.add(id);
    at = Math.min(
      at,
      Math.max(
        0,
        layers.findIndex((one) => one.id === id),
      ),
    );
  }
  const hides = layers.findIndex((one) => one.kind === 'backdrop' && one.visible);
  return hides < 0 ? at : Math.min(at, hides);
}

/** Where layers go in the order: a step, or all the way. */
export type OrderStep = 'forward' | 'backward' | 'front' | 'back';

/**
 * The template with layers moved in the order; those that are moved keep their own. Nothing goes below a background, which
 * would hide it, but backgrounds.
 */
export function orderLayers(template: Template, layerIds: readonly string[], step: OrderStep): Template {
  const { layers } = template;
  const moved = layers.filter(({ id }) => layerIds.includes(id));
  const rest = layers.filter(({ id }) => !layerIds.includes(id));
  const hides = rest.findIndex((one) => one.kind === 'backdrop' && one.visible);
  const lowest = hides < 0 || moved.some((one) => one.kind === 'backdrop') ? rest.length : hides;
  // How many of the rest lie above the first and the last of them.
  const before = (id: string | undefined): number =>
    layers
      .slice(
        0,
        layers.findIndex((one) => one.id === id),
      )
      .filter((one) => rest.includes(one)).length;
  const at = {
    front: 0,
    forward: Math.max(0, before(moved[0]?.id) - 1),
    backward: Math.min(lowest, before(moved.at(-1)?.id) + 1),
    back: lowest,
  }[step];
  const next = rest.toSpliced(at, 0, ...moved);
  return next.every((layer, i) => layer === layers[i]) ? template : { ...template, layers: next };
}
