import { findProperty } from '../layers';
import type { FrameFormat } from '../frame/formats';
import { resolve } from '../resolve/resolve';
import type { OverrideScope } from './editOverrides';
import { overrideFor, setOverride } from './editOverrides';
import { followedTrack } from '../model/track';
import { setProperty } from './editTemplate';
import type { FieldValue, Template } from '../model/template';

/** Where a change is made: in the format that is looked at, for all formats (null) or only some. */
export interface EditPlace {
  readonly format: FrameFormat;
  readonly scope: OverrideScope | null;
}

/**
 * The template with a property set where the change is made. What the format that is looked at has otherwise is
 * changed there, since a change for all formats would not be seen in it. What follows keyframes is set as the value
 * of the moment, in every format, since its keys hold over what formats have.
 */
export function setPropertyIn(
  template: Template,
  { format, scope }: EditPlace,
  layerId: string,
  path: string,
  value: FieldValue,
): Template {
  const layer = template.layers.find((one) => one.id === layerId);
  const held = overrideFor(template, format, layerId, path);
  const target = scope ?? held?.scope ?? null;
  const keyed = layer !== undefined && followedTrack(layer, path) !== undefined;
  if (target === null || keyed) return setProperty(template, layerId, path, value);
  const property = layer && findProperty(layer, path);
  if (property === undefined) return template;
  return setOverride(template, target, layerId, path, value);
}

/** The template with a layer moved by an offset in design units, where the change is made. */
export function nudgeIn(
  template: Template,
  place: EditPlace,
  layerId: string,
  dxU: number,
  dyU: number,
): Template {
  const design = template.layers.find((layer) => layer.id === layerId);
  const inFormat = resolve(template, place).template.layers.find((layer) => layer.id === layerId);
  if (design === undefined || inFormat === undefined) return template;
  // The keys' own values are on the template already, and hold over what the format has.
  const from = (path: 'dxU' | 'dyU'): number =>
    (followedTrack(design, `place.${path}`) === undefined ? inFormat : design).place[path];
  const moved = (from: number, by: number): number => Math.round((from + by) * 100) / 100;
  const across =
    dxU === 0 ? template : setPropertyIn(template, place, layerId, 'place.dxU', moved(from('dxU'), dxU));
  return dyU === 0 ? across : setPropertyIn(across, place, layerId, 'place.dyU', moved(from('dyU'), dyU));
}
