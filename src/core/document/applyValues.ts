import { findProperty } from '../layers';
import { cleanText } from '../text/cleanText';
import type { Field, FieldValue, FieldValues, Layer, Template } from './template';

/** The template with what an editor typed put in place of the design's values. Targets that are gone are passed over. */
export function applyValues(template: Template, values: FieldValues): Template {
  const layers = new Map<string, Layer>(template.layers.map((layer) => [layer.id, layer]));
  for (const field of template.fields) {
    const value = values[field.id];
    if (value === undefined) continue;
    for (const { layerId, path } of field.targets) {
      const layer = layers.get(layerId);
      const property = layer && findProperty(layer, path);
      if (property !== undefined) layers.set(layerId, property.with(limitValue(field, value)));
    }
  }
  return { ...template, layers: template.layers.map((layer) => layers.get(layer.id) ?? layer) };
}

/** What the design says for a field; an empty string when all its targets are gone. */
export function designValue(template: Template, field: Field): FieldValue {
  for (const { layerId, path } of field.targets) {
    const layer = template.layers.find((candidate) => candidate.id === layerId);
    const property = layer && findProperty(layer, path);
    if (property !== undefined) return property.value;
  }
  return '';
}

function limitValue(field: Field, value: FieldValue): FieldValue {
  const { maxLength, min, max } = field.limits;
  if (field.kind === 'text') {
    const text = cleanText(String(value));
    return maxLength === undefined ? text : Array.from(text).slice(0, maxLength).join('');
  }
  if (field.kind === 'number' && typeof value === 'number') {
    return Math.max(min ?? -Infinity, Math.min(max ?? Infinity, value));
  }
  return value;
}
