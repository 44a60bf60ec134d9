import type { Homography } from '../display/homography';
import { mapOf, multiplyMaps, projectCorners } from '../display/homography';
import { IDENTITY } from '../kit/matrix';
import type { Point } from '../kit/rect';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import type { Stage } from './paintLayer';
import { carriedBy } from './carried';
import { layerMatrix, mapUnit } from './mapUnit';
import { poseUnits } from './poseUnits';
import { isSeen } from './paintUnit';
import { ownTime } from '../titleTime/retime';

/** How a part of a text that moves as one is seen at a moment. */
export interface WordState {
  readonly layerId: string;
  /** Which part of the layer it is, among as many as it is moved in at the moment. */
  readonly part: string;
  /** 0 to 1, with that of all it is in. */
  readonly opacity: number;
  /** How far its edges are softened, in design units. */
  readonly blurU: number;
  /** Whether a mask or a drawing of its outline keeps part of it from being seen, or its numbers still count. */
  readonly covered: boolean;
  /** Two opposite corners of it, in design units; none where it is behind the eye. */
  readonly corners: readonly Point[];
}

interface Within {
  readonly map: Homography;
  readonly opacity: number;
  readonly blurU: number;
  readonly covered: boolean;
}

const NOTHING: Within = { map: mapOf(IDENTITY), opacity: 1, blurU: 0, covered: false };

/** How all words of a title are seen at a time (seconds from its start), those in groups with what their group does. */
export function wordStates(stage: Stage, seconds: number): WordState[] {
  return visit(stage, stage.top, seconds, NOTHING);
}

function visit(stage: Stage, ids: readonly string[], seconds: number, within: Within): WordState[] {
  return ids.flatMap((id) => {
    const layer = stage.layers.get(id);
    if (layer === undefined || !['text', 'rows', 'group'].includes(layer.layer.kind)) return [];
    const own = ownTime(layer.layer.motion.retime, seconds, stage.timing);
    const units = poseUnits(layer, own.seconds, own.timing);
    const carried = carriedBy(stage, layer.layer, seconds);
    const around =
      carried === null
        ? within
        : {
            ...within,
            map: multiplyMaps(within.map, carried.map),
            opacity: within.opacity * carried.opacity,
          };
    return units.flatMap((unit, i): WordState[] => {
      if (unit.aside === true) return [];
      const seen = stateOf(layer, unit, around);
      if (layer.layer.kind !== 'group') {
        const [first, , third] = projectCorners(seen.map, unit.unit.ink);
        const corners = first === undefined || third === undefined ? [] : [first, third];
        return [{ layerId: id, part: `${id} ${i} ${units.length}`, ...seen, corners }];
      }
      const then = stage.stageAt(own.seconds, own.timing);
      const members = then.members.get(id) ?? [];
      const { memberId } = unit.unit;
      return visit(then, memberId === undefined ? members : [memberId], own.seconds, seen);
    });
  });
}

function stateOf(layer: CompiledLayer, unit: PosedUnit, within: Within): Within {
  const { layer: source } = layer;
  const { acts } = unit;
  const sum = (of: 'blurXU' | 'blurYU'): number => acts.reduce((total, { pose }) => total + pose[of], 0);
  const blurU = Math.max(sum('blurXU'), sum('blurYU'), source.look.blurAcrossU, source.look.blurDownU);
  const opacity = acts.reduce((product, { pose }) => product * Math.min(1, pose.opacity), source.opacity);
  const map = multiplyMaps(mapOf(layerMatrix(layer, IDENTITY)), mapUnit(layer, unit).map);
  return {
    map: multiplyMaps(within.map, map),
    opacity: within.opacity * (isSeen(unit) ? opacity : 0),
    blurU: within.blurU + blurU,
    covered: within.covered || acts.some(isCovered),
  };
}

// A unit that is masked by its own box is still whole for the eye while so much of it (a share) is out of it.
const OUT_OF_BOX = 0.05;

function isCovered({ pose, plan, unit }: PosedUnit['acts'][number]): boolean {
  if (pose.drawn < 1 || pose.counted < 1 || pose.settled < 1 || pose.block < 1) return true;
  if (plan.mask === undefined || plan.mask.kind === 'window') return false;
  if (plan.mask.kind !== 'box') return pose.shown < 1;
  const { width, height } = unit.box;
  return Math.abs(pose.xU) > width * OUT_OF_BOX || Math.abs(pose.yU) > height * OUT_OF_BOX;
}
