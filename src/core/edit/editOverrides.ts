import type { FrameFormat } from '../frame/formats';
import type { FieldValue, Override, Template } from '../model/template';

export type OverrideScope = Override['scope'];

const sameScope = (a: OverrideScope, b: OverrideScope): boolean => a.kind === b.kind && a.id === b.id;

/** The template with a property set for one format, or for all formats of a shape, only. */
export function setOverride(
  template: Template,
  scope: OverrideScope,
  layerId: string,
  path: string,
  value: FieldValue,
): Template {
  const others = template.overrides.filter(
    (one) => !(sameScope(one.scope, scope) && one.layerId === layerId && one.path === path),
  );
  return { ...template, overrides: [...others, { scope, layerId, path, value }] };
}

/** What a format has otherwise for a property: what holds for the format itself before what holds for its shape. */
export function overrideFor(
  template: Template,
  format: FrameFormat,
  layerId: string,
  path: string,
): Override | undefined {
  const mine = template.overrides.filter((one) => one.layerId === layerId && one.path === path);
  return (
    mine.find((one) => one.scope.kind === 'format' && one.scope.id === format.id) ??
    mine.find((one) => one.scope.kind === 'shape' && one.scope.id === format.shape)
  );
}

/** The template without an override. */
export function clearOverride(template: Template, override: Override): Template {
  return { ...template, overrides: template.overrides.filter((one) => one !== override) };
}
