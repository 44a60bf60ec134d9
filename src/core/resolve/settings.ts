import type { TitleTiming } from '../titleTime/stretch';
import { compileTracks } from '../titleTime/tracks';
import type { PropertySetting, Template } from '../model/template';
import { findProperty } from '../layers';
import type { FrameFormat } from '../frame/formats';

/** The template with properties set, the later over the earlier; those of layers that are gone or do not have them are passed over. */
export function applySettings(template: Template, settings: readonly PropertySetting[]): Template {
  if (settings.length === 0) return template;
  const layers = new Map(template.layers.map((layer) => [layer.id, layer]));
  for (const { layerId, path, value } of settings) {
    const layer = layers.get(layerId);
    const property = layer && findProperty(layer, path);
    if (property !== undefined) layers.set(layerId, property.with(value));
  }
  return { ...template, layers: template.layers.map((layer) => layers.get(layer.id) ?? layer) };
}

/** What the tracks of a template set, to be asked for any time. */
export function tracksOf(template: Template): ReturnType<typeof compileTracks> {
  return compileTracks(template, (layer, path) => findProperty(layer, path) ?? {});
}

/** The template with its tracks' values at a time written over the design's, in no format's own way; see `resolve` for what shows. */
export function templateAt(template: Template, seconds: number, timing: TitleTiming): Template {
  return applySettings(template, tracksOf(template)(seconds, timing));
}

/** A format with the template's own title-safe area, where it has one. */
export function withOwnAreas(template: Template, format: FrameFormat): FrameFormat {
  const own = template.areas.find((area) => area.format === format.id);
  if (own === undefined) return format;
  const { left, top, right, bottom } = own;
  return { ...format, ownTitleSafe: { left, top, right, bottom } };
}
