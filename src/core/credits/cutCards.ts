import type { CreditBlock } from './setCredits';

/** One page of credits: its blocks in order, each with how far below the page's top it lies. */
export interface CreditCard {
  readonly blocks: readonly { readonly block: CreditBlock; readonly index: number; readonly yU: number }[];
  readonly heightU: number;
}

interface CardRoom {
  readonly heightU: number;
  /** Whether a heading is said again where its rows go on. */
  readonly repeatsHeading: boolean;
}

// What a cut costs, against 1 for a card that is left quite empty.
const COST = {
  /** Every card more. */
  card: 2,
  /** Rows of one heading on two cards. */
  section: 0.6,
  /** Names of one role on two cards. */
  role: 4,
  /** A heading without what it stands over. */
  heading: 100,
  /** One row of a heading alone. */
  alone: 1.5,
} as const;

/**
 * Cuts credits into as few cards as do, where the sense allows: a heading stays with what it stands over, names with
 * their role, a heading's rows together where there is room, and cards are about equally full. A block that is higher than
 * a card has one of its own. Empty for no blocks.
 */
export function cutCards(blocks: readonly CreditBlock[], room: CardRoom): CreditCard[] {
  const count = blocks.length;
  const headings = headingsOf(blocks);
  // best[i]: the least cost of the first i blocks on cards, and where the last of them starts.
  const best: { cost: number; from: number }[] = [{ cost: 0, from: 0 }];
  for (let end = 1; end <= count; end++) {
    let found = { cost: Infinity, from: end - 1 };
    for (let from = end - 1; from >= 0; from--) {
      const card = cardOf(blocks, headings, from, end, room);
      const fits = card.heightU <= room.heightU + 0.01;
      if (!fits && from < end - 1) break;
      const cost = best[from].cost + costOf(blocks, headings, from, end, card.heightU / room.heightU);
      if (cost < found.cost) found = { cost, from };
    }
    best.push(found);
  }
  const cards: CreditCard[] = [];
  for (let end = count; end > 0; end = best[end].from)
    cards.unshift(cardOf(blocks, headings, best[end].from, end, room));
  return cards;
}

/** For each block the heading that it stands under; -1 for none. */
function headingsOf(blocks: readonly CreditBlock[]): number[] {
  let heading = -1;
  return blocks.map(({ kind }, i) => {
    if (kind === 'heading') heading = i;
    else if (kind === 'paragraph' || kind === 'pictures') heading = -1;
    return heading;
  });
}

function cardOf(
  blocks: readonly CreditBlock[],
  headings: readonly number[],
  from: number,
  end: number,
  { repeatsHeading }: CardRoom,
): CreditCard {
  const again = repeatsHeading && headings[from] >= 0 && headings[from] < from ? [headings[from]] : [];
  const indices = [...again, ...Array.from({ length: end - from }, (_, i) => from + i)];
  let y = 0;
  const placed = indices.map((index, i) => {
    const block = blocks[index];
    // A repeated heading keeps the distance that rows have from it.
    const after = i > 0 && again.length > 0 && i === 1 ? (blocks[headings[from] + 1]?.gapU ?? 0) : block.gapU;
    y += i === 0 ? 0 : after;
    const yU = y;
    y += block.heightU;
    return { block, index, yU };
  });
  return { blocks: placed, heightU: y };
}

function costOf(
  blocks: readonly CreditBlock[],
  headings: readonly number[],
  from: number,
  end: number,
  full: number,
): number {
  const empty = Math.max(0, 1 - full);
  let cost: number = COST.card + empty * empty;
  if (end === blocks.length) return cost;
  const next = blocks[end];
  if (blocks[end - 1].leads) cost += COST.heading;
  if (next.goesOn) cost += COST.role;
  if (headings[end] >= 0 && headings[end] < end && next.kind !== 'heading') {
    cost += COST.section;
    const under = (index: number): boolean => headings[index] === headings[end];
    if (!under(end + 1) || end + 1 >= blocks.length) cost += COST.alone;
    if (end - 1 === headings[end] + 1 && from <= headings[end]) cost += COST.alone;
  }
  return cost;
}
