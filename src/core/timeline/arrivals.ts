import { newMoveUse } from '../model/newMove';
import type { MoveUse, RowsLayer } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import type { ColumnLayer, PosedUnit } from './columns';
import { inUnits } from './columns';
import { restPose } from '../moves/pose';
import type { Act, CompiledMove } from './motion';
import { actAt, actThrough, aheadSeconds, compileMove } from './motion';
import type { RowTimesOf } from './rowTimes';
import { rowTimes } from './rowTimes';
import { shareOf } from './stagger';

/** Rows that come each at its own moment, while what moves the whole list comes in as designed. */
export interface CompiledArrivals {
  /** The units at a time (seconds from the title's start); null when all have come. */
  at(seconds: number, timing: TitleTiming): readonly PosedUnit[] | null;
}

// A row without a move of its own is there from one frame to the next.
const CUT: MoveUse = { ...newMoveUse('fade'), unit: 'row', lengthSeconds: 1e-3 };
const SHORTEST_SECONDS = 1e-3;

/**
 * Makes rows ready that come each at its own time (`rowTimes`). A row takes as long as the design gives one row. Earlier
 * rows are as opaque as the list says once a later one has come; all are lit again before the title goes.
 */
export function compileArrivals(source: RowsLayer, layer: ColumnLayer, of: RowTimesOf): CompiledArrivals {
  const { earlierOpacity = 1 } = source;
  const uses = source.motion.in;
  const all = uses.some(({ unit }) => unit === 'row') ? uses : [...uses, CUT];
  const { units, largestFirst } = inUnits(all, layer);
  const first = Math.min(...all.filter(({ unit }) => unit === 'row').map(({ startSeconds }) => startSeconds));
  const movers = largestFirst.map(({ use, own, of: holder }) => {
    const asked = source.moments === undefined ? use : { ...use, waits: false };
    const move: CompiledMove = compileMove(asked, own, layer.around, of.timing.inSeconds, false);
    const lengths = move.windows.map(({ length }) => Math.max(SHORTEST_SECONDS, length * use.lengthSeconds));
    // What moves each row starts at the row's moment, and as long after it as it does in the design.
    return { move, own, of: holder, lengths, delay: use.unit === 'row' ? use.startSeconds - first : null };
  });
  const times = rowTimes(source, of);
  return {
    at(seconds, title) {
      const { outStartSeconds, inSeconds } = title;
      const starts = times(title).map(({ from }) => from);
      let moving = false;
      const posed = units.map((unit, i): PosedUnit => {
        const moment = starts[i];
        const acts = movers.flatMap(({ move, own, of: holder, lengths, delay }): Act[] => {
          const index = holder[i];
          const now = seconds + aheadSeconds(move, title);
          const act =
            delay === null
              ? actAt(move, own[index], index, 0, inSeconds > 0 ? Math.min(1, now / inSeconds) : 1)
              : actThrough(move, own[index], index, 0, shareOf(now - moment - delay, lengths[index]));
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
