import type { Template } from '../model/template';
import { containsRect } from '../kit/rect';
import { heldBox } from './heldBox';
import { safeArea } from '../frame/safeAreas';
import type { CompiledTitle } from '../timeline/compile';

// Rounding to whole pixels may put an edge this far outside.
const TOLERANCE_U = 1.5;

/**
 * What is wrong with a layout in its format, in a few words each: texts that are too wide or cut, and texts or rows
 * that leave title safe. Shapes may leave it. Nothing for a layout that is right.
 */
export function layoutTrouble(template: Template, title: CompiledTitle): string[] {
  const found = new Set<string>();
  for (const note of title.notes) {
    if (note.kind === 'overflow') found.add('text too wide');
    if (note.kind === 'fitted') {
      for (const { kind } of note.facts) {
        if (kind === 'cut') found.add('text is cut');
        if (kind === 'rowsCut') found.add('rows are cut');
      }
    }
    if (note.kind === 'missing') found.add('a character is missing');
  }
  const safe = safeArea(title.format, 'titleSafe');
  for (const layer of template.layers) {
    const box = title.boxes.get(layer.id);
    if (box === undefined || !['text', 'rows', 'credits'].includes(layer.kind)) continue;
    if (!containsRect(safe, heldBox(layer, box, safe), TOLERANCE_U))
      found.add(`${layer.name} leaves title safe`);
  }
  return [...found];
}
