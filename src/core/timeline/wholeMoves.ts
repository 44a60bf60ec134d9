import type { Motion, MoveUse, Timing } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import type { ColumnLayer } from './columns';
import type { Act, CompiledMove } from './motion';
import { actAt, aheadSeconds, compileMove } from './motion';

/** What moves a layer as a whole while its parts go their own ways: its acts at a time (seconds from the title's start). */
export type WholeMoves = (seconds: number, title: TitleTiming) => Act[];

interface Mover {
  readonly own: ReturnType<ColumnLayer['unitsOf']>;
  readonly move: CompiledMove;
}

/** Makes the moves of the whole layer ready, of the in and of the out (or the in turned round). */
export function compileWhole(motion: Motion, layer: ColumnLayer, timing: Timing): WholeMoves {
  const outUses = motion.out === 'mirror' ? motion.in : motion.out;
  const comes = moversOf(motion.in, layer, timing.inSeconds, false);
  const goes = moversOf(outUses, layer, timing.outSeconds, true);
  const acts = (movers: readonly Mover[], since: number, lasts: number, title: TitleTiming): Act[] =>
    movers.flatMap(({ move, own }) => {
      const now = since + aheadSeconds(move, title);
      return actAt(move, own[0], 0, 0, lasts > 0 ? Math.min(1, now / lasts) : 1) ?? [];
    });
  return (seconds, title) => {
    const since = seconds - title.outStartSeconds;
    return [
      ...acts(comes, seconds, title.inSeconds, title),
      ...(since < 0 ? [] : acts(goes, since, title.outSeconds, title)),
    ];
  };
}

function moversOf(
  uses: readonly MoveUse[],
  layer: ColumnLayer,
  columnSeconds: number,
  leaving: boolean,
): Mover[] {
  return uses
    .filter(({ unit }) => unit === 'layer')
    .map((use) => {
      const own = layer.unitsOf('layer');
      return { own, move: compileMove(use, own, layer.around, columnSeconds, leaving) };
    });
}
