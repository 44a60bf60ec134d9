import type { PlacedBox } from '../frame/points';
import { pointWithin } from '../frame/points';
import { safeArea } from '../frame/safeAreas';
import type { PlaceTarget, Template } from '../model/template';
import { resolve } from '../resolve/resolve';
import type { EditPlace } from './editInFormat';
import { setPropertyIn } from './editInFormat';

/**
 * The template with a layer attached to something else, where the change is made, and standing where it stood. `boxes`:
 * where layers lie in the format that is looked at; without them only what it is attached to changes.
 */
export function attachInPlace(
  template: Template,
  place: EditPlace,
  layerId: string,
  target: PlaceTarget,
  boxes: ReadonlyMap<string, PlacedBox>,
): Template {
  if (target.kind === 'layer' && target.layerId === layerId) return template;
  const name = target.kind === 'layer' ? `layer:${target.layerId}` : target.kind;
  const attached = setPropertyIn(template, place, layerId, 'place.target', name);
  const layer = resolve(template, place).template.layers.find(({ id }) => id === layerId);
  const [own, to] = [
    boxes.get(layerId),
    target.kind === 'layer' ? boxes.get(target.layerId) : areaBox(target, place),
  ];
  if (layer === undefined || own === undefined || to === undefined) return attached;
  const stands = pointWithin(own, layer.place.point);
  const hangs = pointWithin(to, layer.place.targetPoint);
  const offset = (from: number, until: number): number => Math.round((until - from) * 100) / 100;
  const across = offset(to.x + hangs.x, own.x + stands.x);
  const down = offset(to.y + hangs.y, own.y + stands.y);
  return setPropertyIn(
    setPropertyIn(attached, place, layerId, 'place.dxU', across),
    place,
    layerId,
    'place.dyU',
    down,
  );
}

function areaBox(target: Exclude<PlaceTarget, { kind: 'layer' }>, { format }: EditPlace): PlacedBox {
  const area = safeArea(format, target.kind);
  return { ...area, firstBaseline: area.height, lastBaseline: area.height };
}
