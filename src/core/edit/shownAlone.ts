import { membersOf } from '../model/references';
import type { Template } from '../model/template';

/** What is painted when only some layers are shown: those, what they hold, and the groups and stacks that they are in. */
export function shownAlone({ layers }: Template, layerIds: readonly string[]): ReadonlySet<string> {
  const shown = new Set<string>();
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const takeIn = (id: string): void => {
    const layer = byId.get(id);
    if (layer === undefined || shown.has(id)) return;
    shown.add(id);
    membersOf(layer).forEach(takeIn);
  };
  layerIds.forEach(takeIn);
  // From the inside out, for groups within groups.
  for (let before = -1; before < shown.size;) {
    before = shown.size;
    for (const layer of layers) if (membersOf(layer).some((id) => shown.has(id))) shown.add(layer.id);
  }
  return shown;
}
