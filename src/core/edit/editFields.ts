import { bindLayer, findProperty } from '../layers';
import { countGraphemes } from '../text/graphemes';
import type { Property } from '../layers/layerKind';
import { freeId } from './addLayer';
import type { Field, FieldLimits, Layer, Template } from '../model/template';

/** The field that opens a property of a layer, if it is open. */
export function fieldOf(
  { fields }: Pick<Template, 'fields'>,
  layerId: string,
  path: string,
): Field | undefined {
  return fields.find((field) => field.targets.some((t) => t.layerId === layerId && t.path === path));
}

/** The template with a property opened to editors under a name of its own, or closed again. */
export function toggleField(template: Template, layerId: string, path: string): Template {
  const open = fieldOf(template, layerId, path);
  if (open !== undefined) return closeTarget(template, open, layerId, path);
  const layer = template.layers.find((one) => one.id === layerId);
  const property = layer && findProperty(layer, path);
  if (layer === undefined || property === undefined) return template;
  return { ...template, fields: [...template.fields, newField(template, layer, property)] };
}

/** A field without one of its targets; one that has nothing left to set goes. */
function closeTarget(template: Template, field: Field, layerId: string, path: string): Template {
  const targets = field.targets.filter((target) => target.layerId !== layerId || target.path !== path);
  return targets.length > 0
    ? updateField(template, field.id, { targets })
    : { ...template, fields: template.fields.filter((one) => one !== field) };
}

/** The template with a property driven by a field that is there already; it leaves the field that drove it before. */
export function driveBy(template: Template, fieldId: string, layerId: string, path: string): Template {
  const before = fieldOf(template, layerId, path);
  if (before?.id === fieldId) return template;
  const freed = before === undefined ? template : closeTarget(template, before, layerId, path);
  const field = freed.fields.find((one) => one.id === fieldId);
  if (field === undefined) return template;
  return updateField(freed, fieldId, { targets: [...field.targets, { layerId, path }] });
}

/** The template with a choice that sets several properties at once, begun with two named variants. */
export function addVariants(template: Template): Template {
  const { id, number } = freeId(template.fields, 'variants');
  const field: Field = {
    id,
    label: `Variant ${number}`,
    kind: 'choice',
    help: '',
    required: false,
    section: '',
    automatic: null,
    targets: [],
    limits: {
      choices: [
        { value: 'a', label: 'First', sets: [] },
        { value: 'b', label: 'Second', sets: [] },
      ],
    },
  };
  return { ...template, fields: [...template.fields, field] };
}

function newField(template: Template, layer: Layer, property: Property): Field {
  const { control } = property;
  const isText = property.fieldKind === 'text';
  return {
    id: freeId(template.fields, 'field').id,
    label: isText ? layer.name : `${layer.name}, ${property.label.toLowerCase()}`,
    kind: property.fieldKind,
    help: '',
    required: isText,
    section: '',
    automatic: null,
    targets: [{ layerId: layer.id, path: property.path }],
    limits: {
      ...(isText ? wordLimits(layer, String(property.value)) : {}),
      ...(control.kind === 'number' ? { min: control.min, max: control.max } : {}),
      ...(control.kind === 'choice' ? { choices: control.choices } : {}),
    },
  };
}

const USUAL_LENGTH = 60;

/** Room for half as many words again as the design has, and for the lines that it has or wraps into. */
function wordLimits(layer: Layer, words: string): FieldLimits {
  const length = Math.ceil((countGraphemes(words) * 1.5) / 10) * 10;
  const wraps = layer.kind === 'text' ? layer.whenLong.find((step) => step.kind === 'wrap') : undefined;
  const lines = Math.max(words.split('\n').length, wraps?.maxLines ?? 1);
  return { maxLength: Math.max(USUAL_LENGTH, length), ...(lines > 1 ? { maxLines: lines } : {}) };
}

/** The template with one field changed. */
export function updateField(template: Template, fieldId: string, change: Partial<Field>): Template {
  const fields = template.fields.map((field) => (field.id === fieldId ? { ...field, ...change } : field));
  return { ...template, fields };
}

/** The template with its fields in another order, given by id; ids left out keep their order behind. */
export function orderFields(template: Template, ids: readonly string[]): Template {
  const rank = (field: Field): number => {
    const at = ids.indexOf(field.id);
    return at < 0 ? ids.length : at;
  };
  return { ...template, fields: template.fields.toSorted((a, b) => rank(a) - rank(b)) };
}

/** The properties of a layer that are open to editors by any of the fields. */
export function openProperties(fields: readonly Field[], layer: Layer): Property[] {
  const paths = new Set(
    fields.flatMap(({ targets }) => targets.flatMap((t) => (t.layerId === layer.id ? t.path : []))),
  );
  if (paths.size === 0) return [];
  return bindLayer(layer).properties.filter((property) => paths.has(property.path));
}
