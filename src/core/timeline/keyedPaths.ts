import type { Lookup } from '../kit/overlay';
import { findProperty } from '../layers';
import type { PropertyStage } from '../layers/layerKind';
import type { PlacedLayer } from '../layout/resolveLayout';
import type { Template } from '../model/template';
import { isFollowed } from '../model/track';

/** Where layers lie, by id. */
export type Placed = Lookup<PlacedLayer>;

/** A property that follows keyframes. */
export interface KeyedPath {
  readonly layerId: string;
  readonly path: string;
  readonly stage: PropertyStage;
}

/** The properties of a template that follow keyframes. */
export function keyedPaths({ layers }: Template): KeyedPath[] {
  return layers.flatMap((layer) =>
    layer.motion.tracks.filter(isFollowed).flatMap(({ path }) => {
      const property = findProperty(layer, path);
      return property === undefined ? [] : [{ layerId: layer.id, path, stage: property.stage }];
    }),
  );
}
