import type { Chain, Motion, MoveUse, Timing } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import type { ChainLink } from './chainTimes';
import { chainMoves, linksOf } from './chainTimes';
import type { ColumnLayer, PosedUnit } from './columns';
import { inUnits } from './columns';
import type { Act, CompiledMove } from './motion';
import { actThrough, aheadSeconds, compileMove } from './motion';
import { shareOf } from './stagger';
import { compileWhole } from './wholeMoves';

/** Lines that replace one another in one place, over all of the title's time. */
export interface CompiledChain {
  /** The lines that are there at a time (seconds from the title's start), with what is done to them. */
  at(seconds: number, timing: TitleTiming): readonly PosedUnit[];
  /** When each line comes and starts to go. */
  links(timing: TitleTiming): readonly ChainLink[];
}

interface ChainOf {
  readonly chain: Chain;
  readonly moments?: readonly number[];
  readonly reads: readonly number[];
}

interface RowMover {
  readonly move: CompiledMove;
  readonly own: ReturnType<ColumnLayer['unitsOf']>;
  readonly of: readonly number[];
  readonly delay: number;
  readonly lengths: readonly number[];
}

/**
 * Makes a chain ready: each line comes by the moves of rows in the in and goes by those of the out (or its in turned
 * round), each as long as the design gives one row; what moves the whole layer does so as the title comes and goes.
 */
export function compileChain(
  motion: Motion,
  layer: ColumnLayer,
  timing: Timing,
  { chain, moments, reads }: ChainOf,
): CompiledChain {
  const moves = chainMoves(motion, reads.length);
  const { goesFor } = moves;
  const { units } = inUnits(moves.comes, layer);
  const comes = rowMovers(moves.comes, layer, timing.inSeconds, false);
  const goes = rowMovers(moves.goes, layer, timing.outSeconds, true);
  // Where the layer goes as a whole, its last line goes with it.
  const lastGoes = moves.lastGoes ? goes : [];
  const wholeAt = compileWhole(motion, layer, timing);
  const known = new Map<string, readonly ChainLink[]>();
  const linksFor = ({ outStartSeconds: endSeconds, sinceSeconds = 0 }: TitleTiming): readonly ChainLink[] => {
    const key = `${endSeconds} ${sinceSeconds}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const own = moments?.map((moment) => Math.max(0, moment - sinceSeconds));
    const made = linksOf(chain, moves, { reads, moments: own, endSeconds });
    known.set(key, made);
    return made;
  };
  return {
    links: (title) => linksFor(title),
    at(seconds, title) {
      const whole = wholeAt(seconds, title);
      const there = linksFor(title).filter(
        ({ from, to }) => seconds >= from && (seconds < to + goesFor || to >= title.outStartSeconds),
      );
      const leavingOf = (to: number): readonly RowMover[] => (to >= title.outStartSeconds ? lastGoes : goes);
      return there.map(({ row, from, to }) => ({
        unit: units[row],
        acts: [
          ...whole,
          ...comes.flatMap((mover) => rowAct(mover, row, seconds - from, title)),
          ...(seconds < to ? [] : leavingOf(to).flatMap((mover) => rowAct(mover, row, seconds - to, title))),
        ],
      }));
    },
  };
}

function rowMovers(
  uses: readonly MoveUse[],
  layer: ColumnLayer,
  columnSeconds: number,
  leaving: boolean,
): RowMover[] {
  const first = Math.min(...uses.map(({ startSeconds }) => startSeconds));
  return inUnits(uses, layer).largestFirst.map(({ use, own, of }) => {
    const move = compileMove({ ...use, waits: false }, own, layer.around, columnSeconds, leaving);
    const lengths = move.windows.map(({ length }) => Math.max(1e-3, length * use.lengthSeconds));
    return { move, own, of, lengths, delay: use.startSeconds - first };
  });
}

function rowAct(
  { move, own, of, lengths, delay }: RowMover,
  row: number,
  since: number,
  title: TitleTiming,
): Act[] {
  const index = of[row];
  const now = since + aheadSeconds(move, title);
  const act = actThrough(move, own[index], index, 0, shareOf(now - delay, lengths[index]));
  return act === null ? [] : [act];
}
