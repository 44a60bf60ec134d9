import type { Homography } from '../display/homography';
import { affineOf, multiplyMaps } from '../display/homography';
import type { Matrix } from '../kit/matrix';
import { multiply, translated } from '../kit/matrix';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import { foldTurn } from '../moves/fold';
import { REST } from '../moves/pose';
import type { Eye } from './poseMap';
import { pivotOf, poseMap } from './poseMap';

/** What leaves everything where it is. */
export const STILL: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** A unit with the maps of its acts: where it is, and where each act's own unit would be without that act. */
export interface MappedUnit extends PosedUnit {
  /** From its place at rest to where it is, in design units. */
  readonly map: Homography;
  /** The same as an affine map; null when it has perspective. */
  readonly flat: Matrix | null;
  /** For each act, the map of the acts on larger units. */
  readonly before: readonly Homography[];
}

/**
 * How a layer stands as a whole, without its moves: pinned, tipped in depth, and then moved along its own plane by as
 * much as it lies elsewhere than it was laid out.
 */
export function standingMap(layer: CompiledLayer): Homography {
  const { pinned, stands, shift } = layer;
  const pin = pinned ?? STILL;
  if (stands === null) return folded(pin, layer);
  const tipped = pinned === null ? stands : multiplyMaps(pinned, stands);
  const { dxU, dyU } = shift;
  const moved = dxU === 0 && dyU === 0 ? tipped : multiplyMaps(tipped, [1, 0, dxU, 0, 1, dyU, 0, 0, 1]);
  return folded(moved, layer);
}

/** A layer's map with what folds it about its edge, as it is seen from where the eye is. */
function folded(map: Homography, layer: CompiledLayer): Homography {
  const { fold = null } = layer.layer.motion;
  if (fold === null || fold.degrees === 0) return map;
  const pose = { ...REST, ...foldTurn(fold.edge, fold.degrees) };
  const own = poseMap(pose, pivotOf(layer.box, fold.edge), eyeOf(layer));
  return map === STILL ? own : multiplyMaps(map, own);
}

/** The eye in the space that a layer's units were laid out in. */
export function eyeOf({ eye, shift, stands }: CompiledLayer): Eye {
  if (stands !== null || (shift.dxU === 0 && shift.dyU === 0)) return eye;
  return { ...eye, centre: { x: eye.centre.x - shift.dxU, y: eye.centre.y - shift.dyU } };
}

/** Works out where a posed unit of a layer is. */
export function mapUnit(layer: CompiledLayer, posed: PosedUnit): MappedUnit {
  let map = standingMap(layer);
  const before: Homography[] = [];
  if (posed.acts.length > 0) {
    const seenFrom = eyeOf(layer);
    for (const { unit, pose, pivot } of posed.acts) {
      before.push(map);
      const own = poseMap(pose, pivotOf(unit.box, pivot, unit.baselineU), seenFrom);
      map = map === STILL ? own : multiplyMaps(map, own);
    }
  }
  return { unit: posed.unit, acts: posed.acts, map, flat: affineOf(map), before };
}

/**
 * The map from the space that a layer's units lie in to pixels: where it lies now, turned and scaled about its own
 * point. What is tipped in depth goes along its own plane instead; see `standingMap`.
 */
export function layerMatrix({ own, shift, nudge, stands }: CompiledLayer, toPixels: Matrix): Matrix {
  const [dx, dy] = stands === null ? [shift.dxU + nudge.dxU, shift.dyU + nudge.dyU] : [nudge.dxU, nudge.dyU];
  const moved = dx === 0 && dy === 0 ? toPixels : translated(toPixels, dx, dy);
  return own === null ? moved : multiply(moved, own);
}
