import type { ReadingRules } from '../model/rules';
import type { Layer, RowsLayer } from '../model/template';
import { layerWords, rowWords, shownRows } from '../model/template';
import { readingSeconds } from '../text/readingTime';
import { chainRests } from '../timeline/chainTimes';
import type { RowTimesOf } from '../timeline/rowTimes';
import { rowTimes } from '../timeline/rowTimes';
import { spanTime } from '../titleTime/span';
import type { TitleTiming } from '../titleTime/stretch';

type ChainLayer = RowsLayer & { readonly chain: NonNullable<RowsLayer['chain']> };

/** Whether a layer's rows replace one another: each is read by itself. */
function isChain(layer: Layer): layer is ChainLayer {
  return layer.kind === 'rows' && layer.chain != null;
}

/** Whether a layer's words are not all seen with the others: they have a span, or go line by line or page by page. */
export function isInTurn(layer: Layer): boolean {
  if (layer.kind === 'rows') return isChain(layer) || layer.pages === true || layer.motion.span != null;
  return layer.kind === 'text' && layer.motion.span != null;
}

/** The line of a chain, or the page of a list, that has the least time for its words. */
export interface WorstLink {
  readonly words: string;
  /** What it is called in a sentence. */
  readonly told: string;
  readonly reads: number;
  /** How long it stands still. */
  readonly stands: number;
}

/** Of all chains and pages the one with the least time for its words, in a title of some length; null without any. */
export function worstLink(
  layers: readonly Layer[],
  of: RowTimesOf,
  title: TitleTiming,
  rules?: ReadingRules,
): WorstLink | null {
  const all = layers.flatMap((layer): WorstLink[] => {
    if (!layer.visible || !isInTurn(layer)) return [];
    const { span = null } = layer.motion;
    const own = span === null ? title : spanTime(span, of.timing, title).timing;
    if (isChain(layer)) return chainLinks(layer, own, rules);
    return layer.kind === 'rows' ? pageLinks(layer, of, own, rules) : [wordsLink(layer, own, rules)];
  });
  return all.reduce<WorstLink | null>(
    (worst, one) => (worst === null || one.stands - one.reads < worst.stands - worst.reads ? one : worst),
    null,
  );
}

function chainLinks(layer: ChainLayer, { outStartSeconds }: TitleTiming, rules?: ReadingRules): WorstLink[] {
  const rows = shownRows(layer).map(rowWords);
  const reads = rows.map((row) => readingSeconds(row));
  return chainRests(layer, reads, outStartSeconds).map(({ row, stands }) => ({
    words: rows[row],
    told: `“${rows[row]}”`,
    reads: readingSeconds(rows[row], rules),
    stands,
  }));
}

/** Words that have a span: they can be read while they hold in it. */
function wordsLink(
  layer: Layer,
  { inSeconds, outStartSeconds }: TitleTiming,
  rules?: ReadingRules,
): WorstLink {
  const words = layerWords(layer);
  const stands = Math.max(0, outStartSeconds - inSeconds);
  return { words, told: `“${words}”`, reads: readingSeconds(words, rules), stands };
}

/** The pages of a list: each can be read from when its first row stands until the first of its rows goes. */
function pageLinks(layer: RowsLayer, of: RowTimesOf, title: TitleTiming, rules?: ReadingRules): WorstLink[] {
  const times = rowTimes(layer, of)(title);
  const rows = shownRows(layer).map(rowWords);
  const pages = Array.from({ length: Math.ceil(rows.length / layer.maxRows) }, (_, page) =>
    rows.map((_row, i) => i).slice(page * layer.maxRows, (page + 1) * layer.maxRows),
  );
  return pages.map((own): WorstLink => {
    const words = own.map((i) => rows[i]).join('\n');
    const from = Math.min(...own.map((i) => times[i].from + times[i].comesFor));
    const to = Math.min(title.outStartSeconds, ...own.map((i) => times[i].to));
    const told =
      pages.length === 1
        ? `“${words.replaceAll('\n', ' ')}”`
        : `the page that begins with “${rows[own[0]].replaceAll('\n', ' ')}”`;
    return { words, told, reads: readingSeconds(words, rules), stands: Math.max(0, to - from) };
  });
}
