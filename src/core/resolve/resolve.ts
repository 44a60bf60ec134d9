import { isFollowed } from '../model/track';
import type { FieldValues, Override, PropertySetting, Template } from '../model/template';
import type { FrameFormat } from '../frame/formats';
import type { TitleTiming } from '../titleTime/stretch';

import type { KeyedSetting } from '../titleTime/tracks';
import { languageOf } from '../faces/language';
import { mirrorTemplate } from '../mirror/mirrorTemplate';
import { limitValue } from './fieldValue';
import { applySettings, tracksOf, withOwnAreas } from './settings';

/** Who says what a property is: the design, a format or its shape, a chosen variant, an editor, or keyframes. */
type Origin = 'design' | 'override' | 'variant' | 'editor' | 'key';

/** What a template is asked for. */
export interface ResolveFor {
  readonly format: FrameFormat;
  /**
   * What an editor typed, by field id; what one delivery says otherwise is in it already (`titleIn`). None for the
   * design itself.
   */
  readonly values?: FieldValues;
  /** The language of words (BCP 47) that no field says otherwise of: the delivery's, the project's or the House's. */
  readonly language?: string;
  /** Whether it is mirrored where its words ask for that, as it is painted; designs are changed as they were drawn. */
  readonly mirrors?: boolean;
}

/** A template with every property decided, in one format with one set of values. */
export interface Resolved {
  /** The format, with the template's own title-safe area where it has one. */
  readonly format: FrameFormat;
  /** Every layer as it is where no keyframe holds; only tracks that hold are on it. */
  readonly template: Template;
  /** Whether any property follows keyframes. */
  readonly isKeyed: boolean;
  /** What keyframes set at a time, in seconds from the title's start. */
  keysAt(seconds: number, timing: TitleTiming): readonly KeyedSetting[];
  /** Every layer as it is at a time. */
  at(seconds: number, timing: TitleTiming): Template;
  /** The language (BCP 47) of a layer's words: of the field that they come from, else what was asked for. */
  languageOf(layerId: string): string;
  /** Who decided a property of a layer. */
  origin(layerId: string, path: string): Origin;
}

/**
 * Which value holds, for every property at every time. Later in this list holds over earlier:
 * 1. the design; 2. what the format's shape has otherwise; 3. what the format itself has; 4. what the chosen variants
 * and switches set; 5. what an editor typed, and over that what one delivery says (both are in `values`);
 * 6. the design's keyframes. What is painted is then mirrored, keyframes and all, where the template asks for it
 * (`mirrorTemplate`). Keyframes of a property that somebody typed are out of play: what is typed stays.
 * Settings of layers that are gone or do not have the property are passed over.
 */
export function resolve(
  source: Template,
  { format, values = {}, language, mirrors = false }: ResolveFor,
): Resolved {
  const overrides = overridesIn(source, format);
  const { variants, typed } = valueSettings(source, values);
  const constant = applySettings(source, [...overrides, ...variants, ...typed]);
  const asDrawn = withoutKeysOf(constant, [...variants, ...typed]);
  const template = mirrors ? mirrorTemplate(asDrawn) : asDrawn;
  const isKeyed = template.layers.some(({ motion }) => motion.tracks.some(isFollowed));
  const keysAt = tracksOf(template);
  return {
    format: withOwnAreas(source, format),
    template,
    isKeyed,
    keysAt,
    at: (seconds, timing) => applySettings(template, keysAt(seconds, timing)),
    languageOf(layerId) {
      const field = source.fields.find(
        (one) => one.language !== undefined && one.targets.some((target) => target.layerId === layerId),
      );
      return languageOf(field?.language, language);
    },
    origin(layerId, path) {
      const isIt = (one: PropertySetting): boolean => one.layerId === layerId && one.path === path;
      const layer = template.layers.find(({ id }) => id === layerId);
      if (layer?.motion.tracks.some((track) => track.path === path && isFollowed(track))) return 'key';
      if (typed.some(isIt)) return 'editor';
      if (variants.some(isIt)) return 'variant';
      return overrides.some(isIt) ? 'override' : 'design';
    },
  };
}

/** What a format has otherwise: first what its shape has, then what it has itself. */
function overridesIn({ overrides }: Template, format: FrameFormat): readonly Override[] {
  const inScope = ({ scope }: Override): boolean =>
    scope.kind === 'shape' ? scope.id === format.shape : scope.id === format.id;
  return overrides
    .filter(inScope)
    .toSorted((a, b) => Number(a.scope.kind === 'format') - Number(b.scope.kind === 'format'));
}

/** What values set: all that variants do before anything that was typed. */
function valueSettings(
  { fields }: Template,
  values: FieldValues,
): { readonly variants: PropertySetting[]; readonly typed: PropertySetting[] } {
  const variants: PropertySetting[] = [];
  const typed: PropertySetting[] = [];
  for (const field of fields) {
    const value = values[field.id];
    if (value === undefined) continue;
    variants.push(...(field.limits.choices?.find((choice) => choice.value === value)?.sets ?? []));
    const shown = limitValue(field, value);
    typed.push(...field.targets.map((target) => ({ ...target, value: shown })));
  }
  return { variants, typed };
}

/** The template without the tracks of properties that are set. */
function withoutKeysOf(template: Template, settings: readonly PropertySetting[]): Template {
  const isSet = (layerId: string, path: string): boolean =>
    settings.some((one) => one.layerId === layerId && one.path === path);
  const keyed = template.layers.some(({ id, motion }) => motion.tracks.some(({ path }) => isSet(id, path)));
  if (!keyed) return template;
  const layers = template.layers.map((layer) => {
    const tracks = layer.motion.tracks.filter(({ path }) => !isSet(layer.id, path));
    if (tracks.length === layer.motion.tracks.length) return layer;
    return { ...layer, motion: { ...layer.motion, tracks } };
  });
  return { ...template, layers };
}
