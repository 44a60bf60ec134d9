import type { RowsLayer } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import { chainMoves } from './chainTimes';
import type { ColumnLayer, PosedUnit } from './columns';
import type { Act, CompiledMove } from './motion';
import { actThrough, aheadSeconds, compileMove } from './motion';
import type { RowTime, RowTimesOf } from './rowTimes';
import { rowTimes } from './rowTimes';
import { shareOf } from './stagger';
import { compileWhole } from './wholeMoves';

/** Rows of a list with pages, over all of the title's time. */
export interface CompiledPages {
  /** The rows that are there at a time (seconds from the title's start), with what is done to them. */
  at(seconds: number, title: TitleTiming): readonly PosedUnit[];
}

/** Makes a list ready whose rows follow one another page by page. */
export function compilePages(source: RowsLayer, layer: ColumnLayer, of: RowTimesOf): CompiledPages {
  const { timing } = of;
  const units = layer.unitsOf('row');
  const { comes, goes } = chainMoves(source.motion, units.length);
  const ready = (uses: typeof comes, leaving: boolean): CompiledMove[] =>
    uses.map((use) => {
      const column = leaving ? timing.outSeconds : timing.inSeconds;
      return compileMove({ ...use, waits: false }, units, layer.around, column, leaving);
    });
  const [arriving, leaving] = [ready(comes, false), ready(goes, true)];
  const whole = compileWhole(source.motion, layer, timing);
  const timesAt = rowTimes(source, of);
  const actsOf = (
    moves: readonly CompiledMove[],
    by: RowTime['comesBy'],
    row: number,
    since: number,
    title: TitleTiming,
  ): Act[] =>
    moves.flatMap((move, k) => {
      const { delay, lasts } = by[k];
      return (
        actThrough(move, units[row], row, 0, shareOf(since + aheadSeconds(move, title) - delay, lasts)) ?? []
      );
    });
  return {
    at(seconds, title) {
      const wholeActs = whole(seconds, title);
      return timesAt(title).flatMap(({ from, comesBy, to, goesFor, goesBy }, row): PosedUnit[] => {
        if (seconds < from || seconds >= to + goesFor) return [];
        const acts = [
          ...wholeActs,
          ...actsOf(arriving, comesBy, row, seconds - from, title),
          ...(seconds < to ? [] : actsOf(leaving, goesBy, row, seconds - to, title)),
        ];
        return [{ unit: units[row], acts }];
      });
    },
  };
}
