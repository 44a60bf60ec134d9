import { referencesOf } from '@/core/model/references';
import type { Template } from '@/core/model/template';

/** Whether a layer hangs, through however many others, on one that is dragged, or fits round one. */
export function movesWith(template: Template, layerId: string, roots: readonly string[], depth = 0): boolean {
  if (roots.includes(layerId)) return true;
  const layer = template.layers.find((one) => one.id === layerId);
  if (layer === undefined || depth > template.layers.length) return false;
  return referencesOf(layer).some((id) => movesWith(template, id, roots, depth + 1));
}
