import { renameInTrack, trackReferences } from './attachment';
import type { Extent, Layer, Track } from './template';

/** The ids of all layers that a layer refers to. */
export function referencesOf(layer: Layer): string[] {
  const place = layer.place.target.kind === 'layer' ? [layer.place.target.layerId] : [];
  const keyed = layer.motion.tracks.flatMap(trackReferences);
  const attached = [...place, ...(layer.matte === null ? [] : [layer.matte.layerId]), ...keyed];
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

/** The layer with all ids that it refers to put through `to`. */
export function renameReferences(layer: Layer, to: (layerId: string) => string): Layer {
  const { target } = layer.place;
  const placed =
    target.kind === 'layer'
      ? { ...layer, place: { ...layer.place, target: { ...target, layerId: to(target.layerId) } } }
      : layer;
  const keyed = withTracks(placed, (track) => renameInTrack(track, to));
  const renamed =
    keyed.matte === null ? keyed : { ...keyed, matte: { ...keyed.matte, layerId: to(keyed.matte.layerId) } };
  switch (renamed.kind) {
    case 'box':
      return {
        ...renamed,
        width: renameExtent(renamed.width, to),
        height: renameExtent(renamed.height, to),
        encloses: renamed.encloses.map(to),
      };
    case 'group':
    case 'stack':
      return { ...renamed, members: renamed.members.map(to) };
    case 'copy':
      return { ...renamed, of: to(renamed.of) };
    default:
      return renamed;
  }
}

/** A layer with each of its tracks changed; one that is left without keys goes. The same layer where none changes. */
export function withTracks(layer: Layer, change: (track: Track) => Track): Layer {
  const { tracks } = layer.motion;
  const changed = tracks.map(change);
  if (changed.every((track, i) => track === tracks[i])) return layer;
  return { ...layer, motion: { ...layer.motion, tracks: changed.filter(({ keys }) => keys.length > 0) } };
}

function renameExtent(extent: Extent, to: (layerId: string) => string): Extent {
  if (extent.kind === 'matches') return { ...extent, layerId: to(extent.layerId) };
  return extent.kind === 'between' ? { ...extent, fromId: to(extent.fromId), toId: to(extent.toId) } : extent;
}

/** The ids of the layers that a group or a stack holds; none for any other. */
export function membersOf(layer: Layer): readonly string[] {
  return layer.kind === 'group' || layer.kind === 'stack' ? layer.members : [];
}
