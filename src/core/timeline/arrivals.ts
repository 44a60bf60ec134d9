import { newMoveUse } from '../model/newMove';
import type { MoveUse, Timing } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import type { ColumnLayer, PosedUnit } from './columns';
import { inUnits } from './columns';
import { restPose } from '../moves/pose';
import type { Act, CompiledMove } from './motion';
import { actAt, actThrough, compileMove } from './motion';

/** Rows that come each at its own moment, while what moves the whole list comes in as designed. */
export interface CompiledArrivals {
  /** The units at a time (seconds from the title's start); null when all have come. */
  at(seconds: number, timing: TitleTiming): readonly PosedUnit[] | null;
}

interface RowMover {
  readonly use: MoveUse;
  readonly move: CompiledMove;
  readonly of: readonly number[];
  /** How long after the row's moment it starts; null for what moves more than a row. */
  readonly delay: number | null;
}

// A row without a move of its own is there from one frame to the next.
const CUT: MoveUse = { ...newMoveUse('fade'), unit: 'row', lengthSeconds: 1e-3 };
const SHORTEST_SECONDS = 1e-3;

/**
 * Makes rows ready that come at `given` moments (seconds from the title's start, one for each row; rows beyond them come
 * with the last), or, with null, when the design has them come. A row takes as long as the design gives one row. However short the title is, all have come before it goes,
 * if one row has the time to at all: what would come later comes then. `earlierOpacity` is how opaque rows are once a
 * later one has come; all are lit again before the title goes.
 */
export function compileArrivals(
  uses: readonly MoveUse[],
  layer: ColumnLayer,
  timing: Timing,
  given: readonly number[] | null,
  earlierOpacity = 1,
): CompiledArrivals {
  const all = uses.some(({ unit }) => unit === 'row') ? uses : [...uses, CUT];
  const { units, largestFirst } = inUnits(all, layer);
  const rowUses = all.filter(({ unit }) => unit === 'row');
  const first = Math.min(...rowUses.map(({ startSeconds }) => startSeconds));
  const movers = largestFirst.map(({ use, own, of }) => {
    const asked = given === null ? use : { ...use, waits: false };
    const move = compileMove(asked, own, layer.around, timing.inSeconds, false);
    const lengths = move.windows.map(({ length }) => Math.max(SHORTEST_SECONDS, length * use.lengthSeconds));
    // What moves each row starts at the row's moment, and as long after it as it does in the design.
    return { use, move, own, of, lengths, delay: use.unit === 'row' ? use.startSeconds - first : null };
  });
  const longest = Math.max(
    ...movers.flatMap(({ delay, lengths }) => (delay === null ? [] : lengths.map((one) => delay + one))),
  );
  const moments = given ?? designedMoments(movers, units.length);
  return {
    at(seconds, { outStartSeconds, inSeconds }) {
      const latest = Math.max(0, outStartSeconds - longest);
      const starts = units.map((_, i) => Math.min(latest, moments[Math.min(i, moments.length - 1)] ?? 0));
      let moving = false;
      const posed = units.map((unit, i): PosedUnit => {
        const moment = starts[i];
        const acts = movers.flatMap(({ move, own, of, lengths, delay }): Act[] => {
          const index = of[i];
          const act =
            delay === null
              ? actAt(move, own[index], index, 0, inSeconds > 0 ? Math.min(1, seconds / inSeconds) : 1)
              : actThrough(move, own[index], index, 0, shareOf(seconds - moment - delay, lengths[index]));
          return act === null ? [] : [act];
        });
        const lit = earlierOpacity < 1 ? litAt(seconds, moment, starts, outStartSeconds) : 1;
        if (lit < 1) acts.push(dimmed(unit, 1 - (1 - earlierOpacity) * (1 - lit)));
        moving ||= acts.length > 0;
        return { unit, acts };
      });
      return moving ? posed : null;
    },
  };
}

/** When each unit comes by the design: in its order, its rhythm and at its marks. */
function designedMoments(movers: readonly RowMover[], count: number): number[] {
  const first = movers.find(({ delay }) => delay === 0);
  return Array.from({ length: count }, (_, i) => {
    if (first === undefined) return 0;
    const { use, move, of } = first;
    return use.startSeconds + move.windows[of[i]].start * use.lengthSeconds;
  });
}

// How long a row takes to be dimmed, and to be lit again.
const DIM_SECONDS = 0.4;

/** How lit (0 to 1) a row is: until a later one comes, and again as the title begins to go. */
function litAt(seconds: number, moment: number, starts: readonly number[], outStart: number): number {
  const next = starts.reduce((first, one) => (one > moment && one < first ? one : first), Infinity);
  const since = Math.max(0, Math.min(1, (seconds - next) / DIM_SECONDS));
  const left = Math.max(0, Math.min(1, (outStart - seconds) / DIM_SECONDS));
  return 1 - Math.min(since, left);
}

function dimmed(unit: PosedUnit['unit'], opacity: number): Act {
  const pose = restPose();
  pose.opacity = opacity;
  return { unit, pose, plan: { parts: [] }, pivot: 'centre' };
}

// Rounding must not keep a row from coming fully to rest.
const DUST = 1e-9;

function shareOf(seconds: number, length: number): number {
  const through = seconds / length;
  if (through <= DUST) return 0;
  return through >= 1 - DUST ? 1 : through;
}
