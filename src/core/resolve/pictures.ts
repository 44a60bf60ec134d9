import type { FieldValue, FieldValues, Layer, Template } from '../model/template';
import { bindLayer, findProperty } from '../layers';
import type { ResolveFor } from './resolve';
import { resolve } from './resolve';

/** The ids of all pictures that a template shows in a format with given values, at any time. */
export function picturesOf(template: Template, asked: ResolveFor): string[] {
  return idsOf(resolve(template, asked).template.layers.flatMap(shownPictures));
}

const known = new WeakMap<Template, readonly string[]>();

/**
 * The ids of all pictures that a template can show of its own accord: by design, in any format, in any variant, at
 * any key. What editors choose is not among them; see `chosenPictures`.
 */
export function everyPicture(template: Template): readonly string[] {
  const before = known.get(template);
  if (before !== undefined) return before;
  const layers = new Map(template.layers.map((layer) => [layer.id, layer]));
  const settings = [
    ...template.overrides,
    ...template.fields.flatMap(({ limits }) => limits.choices?.flatMap(({ sets }) => sets ?? []) ?? []),
  ];
  const set = settings.flatMap(({ layerId, path, value }) => {
    const layer = layers.get(layerId);
    return layer !== undefined && isPicture(layer, path) ? [value] : [];
  });
  const choices = template.fields
    .filter(({ kind }) => kind === 'picture')
    .flatMap(({ limits }) => limits.choices?.map(({ value }) => value) ?? []);
  const ids = idsOf([...template.layers.flatMap(shownPictures), ...set, ...choices]);
  known.set(template, ids);
  return ids;
}

/** The ids of the pictures that an editor chose. */
export function chosenPictures(template: Template, values: FieldValues): string[] {
  return idsOf(template.fields.flatMap(({ kind, id }) => (kind === 'picture' ? (values[id] ?? []) : [])));
}

/** What a layer's picture properties say, what their keys say, and the pictures of its rows. */
function shownPictures(layer: Layer): FieldValue[] {
  const bound = bindLayer(layer);
  const own = bound.properties.filter(({ fieldKind }) => fieldKind === 'picture');
  const keyed = layer.motion.tracks.filter(({ path }) => own.some((property) => property.path === path));
  const listed = bound.pictures ?? [];
  return [
    ...listed,
    ...own.map(({ value }) => value),
    ...keyed.flatMap(({ keys }) => keys.map(({ value }) => value)),
  ];
}

const isPicture = (layer: Layer, path: string): boolean => findProperty(layer, path)?.fieldKind === 'picture';

function idsOf(values: readonly FieldValue[]): string[] {
  return [...new Set(values.filter((id): id is string => typeof id === 'string' && id !== ''))];
}
