import type { LayerClip } from '@/core/edit/layerClip';
import { parseTemplate } from '@/core/model/templateSchema';
import type { Layer } from '@/core/model/template';

/** What was copied on the bench, in this browser: layers, and the template that they come from. */
export interface CopiedLayers extends LayerClip {
  readonly templateId: string;
}

// Other templates, and other pages of this browser, paste it too.
const LAYERS_KEY = 'gilder-copied-layers';
const LOOK_KEY = 'gilder-copied-look';

/** Keeps copied layers. False where the browser has no room for them. */
export const keepLayers = (copied: CopiedLayers): boolean => keep(LAYERS_KEY, copied);

/** The layers that were copied last; null for none, or where what is kept is none of ours. */
export const keptLayers = (): CopiedLayers | null => read(LAYERS_KEY);

/** Keeps a layer whose look was copied. False where the browser has no room for it. */
export const keepLook = (copied: CopiedLayers): boolean => keep(LOOK_KEY, copied);

/** The layer whose look was copied last; null for none. */
export function keptLook(): Layer | null {
  const kept = read(LOOK_KEY);
  return kept?.from.layers.find(({ id }) => id === kept.layerIds[0]) ?? null;
}

function keep(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

function read(key: string): CopiedLayers | null {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    const { from, layerIds, templateId }: Partial<Record<string, unknown>> = { ...Object(found) };
    const template = parseTemplate(from);
    const there = template.layers.filter(({ id }) => Array.isArray(layerIds) && layerIds.includes(id));
    if (there.length === 0) return null;
    return { from: template, layerIds: there.map(({ id }) => id), templateId: String(templateId) };
  } catch {
    return null;
  }
}
