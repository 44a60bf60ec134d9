import { sameValue } from '../kit/sameValue';
import type { Template } from './template';

/**
 * A template with the layers of an earlier one wherever they say the same, so that what is known of those layers
 * (their typesetting above all) serves again. For documents that came by message and are new objects throughout.
 */
export function keepLayers(next: Template, earlier: Template | null): Template {
  if (earlier === null) return next;
  const byId = new Map(earlier.layers.map((layer) => [layer.id, layer]));
  const layers = next.layers.map((layer) => {
    const before = byId.get(layer.id);
    return before !== undefined && sameValue(before, layer) ? before : layer;
  });
  return { ...next, layers };
}
