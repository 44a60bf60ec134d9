import type { PlacedBox } from '../frame/points';
import type { Mirroring } from '../model/mirroring';
import { membersOf } from '../model/references';
import type { Layer, Template } from '../model/template';
import type { Rect } from '../kit/rect';
import { mirrorRect } from '../kit/rect';
import { mirrorLayer } from './mirrorLayer';
import { templateRunsRightToLeft } from './wordsDirection';

/** What of a template with its values in it is mirrored now; null for nothing. */
function mirroringNow(template: Template): Mirroring | null {
  const { mirroring } = template;
  if (mirroring === undefined || mirroring.when === 'never') return null;
  return mirroring.when === 'always' || templateRunsRightToLeft(template) ? mirroring : null;
}

/** The ids of the layers of a mirrored template that lie on the other side than they were drawn. */
export function mirroredPlaces({ mirroring, layers }: Template): ReadonlySet<string> {
  const isMirrored = ({ mirrored }: Layer): boolean => mirroring?.places === true && mirrored !== undefined;
  return new Set(layers.filter(isMirrored).map(({ id }) => id));
}

/** A template with its values in it, mirrored as far as it asks for; itself where nothing is. */
export function mirrorTemplate(template: Template): Template {
  const how = mirroringNow(template);
  if (how === null) return template;
  const kept = keptLayers(template.layers);
  const layers = template.layers.map((layer) => (kept.has(layer.id) ? layer : mirrorLayer(layer, how)));
  return { ...template, layers };
}

/** The ids of layers that keep their side: those that say so, and all that a group or a stack of them holds. */
function keptLayers(layers: readonly Layer[]): ReadonlySet<string> {
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const kept = new Set<string>();
  const keep = (id: string): void => {
    const layer = byId.get(id);
    if (layer === undefined || kept.has(id)) return;
    kept.add(id);
    for (const member of membersOf(layer)) keep(member);
  };
  for (const { id, keepsSide } of layers) if (keepsSide === true) keep(id);
  return kept;
}

/** Where layers lie as they were drawn, when some of them (`ids`) are seen mirrored in a frame. */
export function boxesAsDrawn(
  boxes: ReadonlyMap<string, PlacedBox>,
  ids: ReadonlySet<string>,
  frame: Rect,
): ReadonlyMap<string, PlacedBox> {
  if (ids.size === 0) return boxes;
  return new Map([...boxes].map(([id, box]) => [id, ids.has(id) ? mirrorRect(box, frame) : box]));
}
