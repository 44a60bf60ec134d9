import { newMoveUse } from '../model/newMove';
import type { MoveUse, Timing } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import type { ColumnLayer, PosedUnit } from './columns';
import { inUnits } from './columns';
import { restPose } from '../moves/pose';
import type { Act } from './motion';
import { actAt, actThrough, compileMove } from './motion';
import { unitWindows } from './stagger';

/** Rows that come each at its own moment, while what moves the whole list comes in as designed. */
export interface CompiledArrivals {
  /** The units at a time (seconds from the title's start); null when all have come. */
  at(seconds: number, timing: TitleTiming): readonly PosedUnit[] | null;
}

// A row without a move of its own is there from one frame to the next.
const CUT: MoveUse = { ...newMoveUse('fade'), unit: 'row', lengthSeconds: 1e-3 };
const SHORTEST_SECONDS = 1e-3;

/**
 * Makes rows ready that come at `moments` (seconds from the title's start, one for each row; rows beyond them come with
 * the last). A row takes as long as the design gives one row. However short the title is, all have come before it goes,
 * if one row has the time to at all: what would come later comes then. `earlierOpacity` is how opaque rows are once a
 * later one has come; all are lit again before the title goes.
 */
export function compileArrivals(
  uses: readonly MoveUse[],
  layer: ColumnLayer,
  timing: Timing,
  moments: readonly number[],
  earlierOpacity = 1,
): CompiledArrivals {
  const all = uses.some(({ unit }) => unit === 'row') ? uses : [...uses, CUT];
  const { units, largestFirst } = inUnits(all, layer);
  const rowUses = all.filter(({ unit }) => unit === 'row');
  const first = Math.min(...rowUses.map(({ startSeconds }) => startSeconds));
  const movers = largestFirst.map(({ use, own, of }) => {
    const move = compileMove({ ...use, waits: false }, own, layer.around, timing.inSeconds, false);
    const lengths = move.windows.map(({ length }) => Math.max(SHORTEST_SECONDS, length * use.lengthSeconds));
    // What moves each row starts at the row's moment, and as long after it as it does in the design.
    return { move, own, of, lengths, delay: use.unit === 'row' ? use.startSeconds - first : null };
  });
  const longest = Math.max(
    ...movers.flatMap(({ delay, lengths }) => (delay === null ? [] : lengths.map((one) => delay + one))),
  );
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

/** When each of so many rows comes by the design, in seconds from the title's start. */
export function designedMoments(uses: readonly MoveUse[], count: number): number[] {
  const use = uses.find(({ unit }) => unit === 'row') ?? CUT;
  const { overlap, gapSeconds, lengthSeconds, spread, seed, startSeconds } = use;
  const gapShare = gapSeconds === null ? null : gapSeconds / Math.max(lengthSeconds, 1e-9);
  const ranks = Array.from({ length: count }, (_, i) => i);
  return unitWindows(ranks, { overlap, gapShare, spread, seed }).map(
    ({ start }) => startSeconds + start * lengthSeconds,
  );
}

// Rounding must not keep a row from coming fully to rest.
const DUST = 1e-9;

function shareOf(seconds: number, length: number): number {
  const through = seconds / length;
  if (through <= DUST) return 0;
  return through >= 1 - DUST ? 1 : through;
}
