import type { ReadingRules } from '../model/rules';
import type { Layer, RowsLayer } from '../model/template';
import { rowWords, shownRows } from '../model/template';
import { readingSeconds } from '../text/readingTime';
import { chainRests } from '../timeline/chainTimes';

type ChainLayer = RowsLayer & { readonly chain: NonNullable<RowsLayer['chain']> };

/** Whether a layer's rows replace one another: each is read by itself. */
export function isChain(layer: Layer): layer is ChainLayer {
  return layer.kind === 'rows' && layer.chain != null;
}

/** The line of a chain that has the least time for its words. */
export interface WorstLink {
  readonly words: string;
  readonly reads: number;
  /** How long it stands still. */
  readonly stands: number;
}

/** Of all chains the line with the least time for its words, in a title that goes after so long; null without chains. */
export function worstLink(
  layers: readonly Layer[],
  outStartSeconds: number,
  rules?: ReadingRules,
): WorstLink | null {
  const all = layers.filter(isChain).flatMap((layer): WorstLink[] => {
    if (!layer.visible) return [];
    const rows = shownRows(layer).map(rowWords);
    const reads = rows.map((row) => readingSeconds(row));
    return chainRests(layer, reads, outStartSeconds).map(({ row, stands }) => ({
      words: rows[row],
      reads: readingSeconds(rows[row], rules),
      stands,
    }));
  });
  return all.reduce<WorstLink | null>(
    (worst, one) => (worst === null || one.stands - one.reads < worst.stands - worst.reads ? one : worst),
    null,
  );
}
