import type { Homography } from '../display/homography';
import { invertMap, mapOf, multiplyMaps } from '../display/homography';
import type { Lookup } from '../kit/overlay';
import { IDENTITY } from '../kit/matrix';
import { containsRect, growRect } from '../kit/rect';
import type { Layer } from '../model/template';
import { ownTime } from '../titleTime/retime';
import type { TitleTiming } from '../titleTime/stretch';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import { eyeOf, layerMatrix, standingMap, STILL } from './mapUnit';
import { pivotOf, poseMap } from './poseMap';
import { poseUnits } from './poseUnits';

/** What the moves of another layer do to one that follows them. */
export interface Carried {
  /** From where it would be to where it is, in design units. */
  readonly map: Homography;
  /** 0 to 1. */
  readonly opacity: number;
}

interface Others {
  readonly layers: Lookup<CompiledLayer>;
  readonly still: Lookup<CompiledLayer>;
  readonly timing: TitleTiming;
}

const GONE: Carried = { map: STILL, opacity: 0 };

/**
 * What a layer is carried by that follows the moves of what it is attached to, at a time (seconds from the title's start):
 * the moves of that layer as a whole, and what carries that one in turn. Moves of its single letters, its masks and its
 * colours are its own. Null for a layer that follows nothing, or nothing that moves.
 */
export function carriedBy(others: Others, { place, followsMoves }: Layer, seconds: number): Carried | null {
  const { target } = place;
  if (followsMoves !== true || target.kind !== 'layer') return null;
  const onto = others.layers.get(target.layerId);
  // What has gone takes along what went with it; the place of one that is never there is closed up.
  if (onto === undefined) return others.still.get(target.layerId) === undefined ? null : GONE;
  const further = carriedBy(others, onto.layer, seconds);
  const own = ownTime(onto.layer.motion.retime, seconds, others.timing);
  const [first] = poseUnits(onto, own.seconds, own.timing);
  const moved = first === undefined ? GONE : movesOf(onto, first);
  if (further === null) return moved;
  if (moved === null) return further;
  return { map: multiplyMaps(further.map, moved.map), opacity: further.opacity * moved.opacity };
}

/** What the moves of a layer as a whole do to all that lies where it does; null where they do nothing. */
function movesOf(layer: CompiledLayer, { acts }: PosedUnit): Carried | null {
  const whole = acts.filter(({ unit }) => containsRect(growRect(unit.box, 0.01), layer.box));
  if (whole.length === 0) return null;
  const eye = eyeOf(layer);
  const map = whole.reduce(
    (done, { unit, pose, pivot }) =>
      multiplyMaps(done, poseMap(pose, pivotOf(unit.box, pivot, unit.baselineU), eye)),
    STILL,
  );
  const opacity = whole.reduce((product, { pose }) => product * Math.max(0, Math.min(1, pose.opacity)), 1);
  const stands = multiplyMaps(mapOf(layerMatrix(layer, IDENTITY)), standingMap(layer));
  const back = invertMap(stands);
  return back === null ? GONE : { map: multiplyMaps(multiplyMaps(stands, map), back), opacity };
}
