import type { Point } from '../kit/rect';
import type { Template } from '../model/template';
import { updateLayer } from './editTemplate';
import { removeLayer } from './removeLayer';

/**
 * The template without the groups and stacks among some layers; what they held stays where it lies. `corners`: the top
 * left corners of layers (design units), which members of a stack have from it and keep as places in the frame.
 */
export function ungroup(
  template: Template,
  layerIds: readonly string[],
  corners: ReadonlyMap<string, Point>,
): Template {
  return layerIds.reduce((now, id) => {
    const layer = now.layers.find((one) => one.id === id);
    if (layer?.kind !== 'group' && layer?.kind !== 'stack') return now;
    const freed =
      layer.kind === 'stack'
        ? layer.members.reduce((all, member) => pinDown(all, member, corners), now)
        : now;
    return removeLayer(freed, id);
  }, template);
}

function pinDown(template: Template, layerId: string, corners: ReadonlyMap<string, Point>): Template {
  const corner = corners.get(layerId);
  if (corner === undefined) return template;
  const [dxU, dyU] = [corner.x, corner.y].map((value) => Math.round(value * 100) / 100);
  return updateLayer(template, layerId, (layer) => ({
    ...layer,
    place: { ...layer.place, point: 'topLeft', target: { kind: 'frame' }, targetPoint: 'topLeft', dxU, dyU },
  }));
}
