import { figureOf } from '../colour/houseColour';
import { eachText } from '../model/eachText';
import type { Layer, Template } from '../model/template';

// Layers are kept as they are by every change that is not theirs, and so is what they come to.
const plain = new WeakMap<object, object>();

/** A template with every colour as its figure alone, for all that paints or measures; unchanged parts stay the same objects. */
export function plainColours(template: Template): Template {
  const layers = template.layers.map((layer): Layer => plainPart(layer));
  const [fields, overrides] = [plainPart(template.fields), plainPart(template.overrides)];
  const same =
    fields === template.fields &&
    overrides === template.overrides &&
    layers.every((layer, i) => layer === template.layers[i]);
  return same ? template : { ...template, layers, fields, overrides };
}

function plainPart<T extends object>(part: T): T {
  const known = plain.get(part);
  // What is kept for a part is that part, with other texts in it.
  if (known !== undefined) return known as T;
  const made = eachText(part, figureOf);
  plain.set(part, made);
  plain.set(made, made);
  return made;
}
