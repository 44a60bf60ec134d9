import { newMoveUse } from '../model/newMove';
import type { CardsSetting } from '../model/credits';
import type { Chain, Motion, MoveUse, RowsLayer } from '../model/template';
import { windowsOfUse } from './stagger';

/** When a line of a chain comes and when it starts to go, in seconds from the title's start. */
export interface ChainLink {
  readonly row: number;
  readonly from: number;
  readonly to: number;
}

interface ChainInput {
  /** How long each line takes to be read, in seconds. */
  readonly reads: readonly number[];
  /** When each line comes, where the title says so. */
  readonly moments?: readonly number[];
  /** When the first one comes by the design. */
  readonly firstSeconds: number;
  /** When the title begins to go. */
  readonly endSeconds: number;
  /** How long a line that comes and the one that goes are on screen together. */
  readonly togetherSeconds: number;
}

// Very short lines going round in a very long title.
const MOST_LINKS = 2000;

/**
 * When the lines of a chain come and go. Each is there until the next comes, the last until the title goes. Where the
 * title says moments they hold; else the rhythm does, evenly, so long each, or by reading time; with time left the last
 * one stands longer, or all do where the chain fills its time. However short the title
 * is no line is left out: the times of all are made shorter alike. Going round and round ends with a whole line: the last
 * one that has its time is prolonged. Empty for no lines.
 */
export function chainLinks(chain: Chain, input: ChainInput): ChainLink[] {
  const { reads, moments, firstSeconds, endSeconds } = input;
  if (reads.length === 0) return [];
  const starts =
    moments === undefined
      ? rhythmStarts(chain, reads, Math.min(firstSeconds, Math.max(0, endSeconds)), endSeconds)
      : momentStarts(reads.length, moments, endSeconds);
  return starts.map(({ row, from }, i) => {
    const next = starts[i + 1];
    const to = next === undefined ? endSeconds : next.from + input.togetherSeconds;
    return { row, from, to: Math.min(Math.max(from, to), Math.max(from, endSeconds)) };
  });
}

type Start = Pick<ChainLink, 'row' | 'from'>;

function rhythmStarts(
  { rhythm, everySeconds, round, fills = false }: Chain,
  reads: readonly number[],
  first: number,
  end: number,
): Start[] {
  const room = Math.max(0, end - first);
  const natural = reads.map((one) => (rhythm === 'reading' ? Math.max(one, 1e-3) : everySeconds));
  const sum = natural.reduce((total, one) => total + one, 0);
  const fits = rhythm !== 'even' && sum <= room && (round || !fills);
  const even = reads.map(() => room / reads.length);
  const lengths = rhythm === 'even' ? even : fits ? natural : natural.map((one) => (one * room) / sum);
  const starts: Start[] = [];
  let at = first;
  for (let i = 0; i < reads.length || (round && fits); i++) {
    const row = i % reads.length;
    // Another time round only for a line that has all its time.
    if (i >= reads.length && at + lengths[row] > end + 1e-9) break;
    starts.push({ row, from: at });
    at += lengths[row];
    if (starts.length === MOST_LINKS) break;
  }
  return starts;
}

/** Lines at moments of the title's own, in the order of those; all sooner alike where the last would not be seen. */
function momentStarts(count: number, moments: readonly number[], end: number): Start[] {
  const last = moments[moments.length - 1] ?? 0;
  const starts = Array.from({ length: count }, (_, row) => ({ row, from: moments[row] ?? last })).toSorted(
    (a, b) => a.from - b.from || a.row - b.row,
  );
  const latest = starts[count - 1].from;
  // The last one has at least the share of an even rhythm of what there is.
  const room = Math.max(0, end - end / (count + 1));
  const scale = latest > room && latest > 0 ? room / latest : 1;
  const apart = end / (count * 4);
  let before = -Infinity;
  return starts.map(({ row, from }) => {
    // Two at one moment follow one another: each is seen.
    before = Math.max(from * scale, before + (before === -Infinity ? 0 : Math.min(apart, 0.2)));
    return { row, from: before };
  });
}

/** A line without a move of its own is there from one frame to the next. */
const CUT: MoveUse = { ...newMoveUse('fade'), unit: 'row', lengthSeconds: 1e-3 };

/** The moves of the lines of a chain, coming and going, and how long they take. */
export interface ChainMoves {
  readonly comes: readonly MoveUse[];
  readonly goes: readonly MoveUse[];
  readonly firstSeconds: number;
  readonly comesFor: number;
  readonly goesFor: number;
  /** Whether the last line goes by itself; else it goes with the layer. */
  readonly lastGoes: boolean;
}

/** How so many lines of a chain come and go: by the moves of rows in the in and the out, or the in turned round. */
export function chainMoves({ in: arriving, out }: Motion, count: number): ChainMoves {
  const leaving = out === 'mirror' ? arriving : out;
  const [comes, goes] = [rowUses(arriving), rowUses(leaving)];
  return {
    comes,
    goes,
    firstSeconds: Math.min(...comes.map(({ startSeconds }) => startSeconds)),
    comesFor: longest(comes, count),
    goesFor: longest(goes, count),
    lastGoes: leaving.some(({ unit }) => unit === 'row'),
  };
}

function rowUses(uses: readonly MoveUse[]): readonly MoveUse[] {
  const rows = uses.filter(({ unit }) => unit === 'row');
  return rows.length === 0 ? [CUT] : rows;
}

/** How long one line moves, from the first of its moves to the end of the last. */
function longest(uses: readonly MoveUse[], count: number): number {
  const first = Math.min(...uses.map(({ startSeconds }) => startSeconds));
  const ranks = Array.from({ length: Math.max(1, count) }, (_, i) => i);
  return Math.max(
    ...uses.map((use) => {
      const most = Math.max(...windowsOfUse(use, ranks).map(({ length }) => length));
      return use.startSeconds - first + Math.max(1e-3, most * use.lengthSeconds);
    }),
  );
}

/** The links of a chain whose lines come and go by these moves. */
export function linksOf(
  chain: Chain,
  { firstSeconds, goesFor }: ChainMoves,
  input: Pick<ChainInput, 'reads' | 'moments' | 'endSeconds'>,
): ChainLink[] {
  return chainLinks(chain, { ...input, firstSeconds, togetherSeconds: goesFor * (chain.overlap - 1) });
}

/** How long each line of a chain stands still, in a title that goes after so long. */
export function chainRests(
  layer: RowsLayer & { readonly chain: Chain },
  reads: readonly number[],
  endSeconds: number,
): { readonly row: number; readonly stands: number }[] {
  const moves = chainMoves(layer.motion, reads.length);
  const { chain, moments } = layer;
  const links = linksOf(chain, moves, { reads, moments, endSeconds });
  return links.map(({ row, from, to }) => ({ row, stands: Math.max(0, to - from - moves.comesFor) }));
}

/** Cards as lines of a chain: they follow one another once, in their rhythm, over all of the title's time. */
export function chainOfCards({ rhythm, overlap }: CardsSetting): Chain {
  return { rhythm, everySeconds: 1, overlap, round: false, fills: true };
}
