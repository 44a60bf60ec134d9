import { renameInTrack } from '../model/attachment';
import { referencesOf, withTracks } from '../model/references';
import type { Extent, Field, Layer, Template } from '../model/template';

/**
 * The template without a layer. What was attached to it takes its place, boxes, groups and stacks no longer hold
 * it, linked copies of it go with it, and fields and overrides lose their targets on it (a field with nothing left
 * to set goes too).
 */
export function removeLayer(template: Template, layerId: string): Template {
  const gone = template.layers.find((layer) => layer.id === layerId);
  if (gone === undefined) return template;
  const copies = template.layers.filter((layer) => layer.kind === 'copy' && layer.of === layerId);
  const rest = copies.reduce((left, copy) => removeLayer(left, copy.id), template);
  return {
    ...rest,
    layers: rest.layers.filter((layer) => layer !== gone).map((layer) => detach(layer, gone)),
    fields: rest.fields.map((field) => closeOn(field, layerId)).filter(setsSomething),
    overrides: rest.overrides.filter((one) => one.layerId !== layerId),
  };
}

function closeOn(field: Field, layerId: string): Field {
  const { choices } = field.limits;
  return {
    ...field,
    targets: field.targets.filter((target) => target.layerId !== layerId),
    limits: {
      ...field.limits,
      ...(choices && {
        choices: choices.map((choice) =>
          choice.sets === undefined
            ? choice
            : { ...choice, sets: choice.sets.filter((one) => one.layerId !== layerId) },
        ),
      }),
    },
  };
}

function setsSomething({ targets, limits }: Field): boolean {
  return targets.length > 0 || (limits.choices ?? []).some((choice) => (choice.sets ?? []).length > 0);
}

function detach(layer: Layer, gone: Layer): Layer {
  if (!referencesOf(layer).includes(gone.id)) return layer;
  const { target } = layer.place;
  const attached = target.kind === 'layer' && target.layerId === gone.id;
  const keyed = withTracks(layer, (track) => renameInTrack(track, (id) => (id === gone.id ? null : id)));
  const placed = attached ? { ...keyed, place: gone.place } : keyed;
  const freed = placed.matte?.layerId === gone.id ? { ...placed, matte: null } : placed;
  const without = (ids: readonly string[]): string[] => ids.filter((id) => id !== gone.id);
  switch (freed.kind) {
    case 'box':
      return {
        ...freed,
        encloses: without(freed.encloses),
        width: freeExtent(freed.width, gone.id),
        height: freeExtent(freed.height, gone.id),
      };
    case 'group':
    case 'stack':
      return { ...freed, members: without(freed.members) };
    default:
      return freed;
  }
}

function freeExtent(extent: Extent, goneId: string): Extent {
  const lost =
    (extent.kind === 'matches' && extent.layerId === goneId) ||
    (extent.kind === 'between' && (extent.fromId === goneId || extent.toId === goneId));
  return lost ? { kind: 'fixed', u: 120 } : extent;
}
