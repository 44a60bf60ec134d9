import type { Extent, Layer } from './template';

/** The ids of all layers that a layer refers to. */
export function referencesOf(layer: Layer): string[] {
  const place = layer.place.target.kind === 'layer' ? [layer.place.target.layerId] : [];
  const attached = layer.matte === null ? place : [...place, layer.matte.layerId];
  switch (layer.kind) {
    case 'box':
      return [
        ...attached,
        ...extentReferences(layer.width),
        ...extentReferences(layer.height),
        ...layer.encloses,
      ];
    case 'group':
    case 'stack':
      return [...attached, ...layer.members];
    case 'copy':
      return [...attached, layer.of];
    default:
      return attached;
  }
}

/** The ids of the layers that an extent takes its measure from. */
export function extentReferences(extent: Extent): string[] {
  if (extent.kind === 'matches') return [extent.layerId];
  return extent.kind === 'between' ? [extent.fromId, extent.toId] : [];
}
