'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import type { Virtualizer } from '@tanstack/react-virtual';
import type { RefObject } from 'react';

/** How high the head of a sheet is, which stays above its rows. */
export const HEAD_PX = 33;

/** As large as a sheet usually is, so that its first rows come with the page and not after it. */
const FIRST_VIEW = { width: 800, height: 420 };

interface Rows {
  readonly ids: readonly { readonly id: string }[];
  readonly rowPx: number;
  readonly scroller: RefObject<HTMLDivElement | null>;
}

/** The rows of a sheet that are in view, and how to go to one: only those are drawn. */
export function useRowsInView({ ids, rowPx, scroller }: Rows): Virtualizer<HTMLDivElement, Element> {
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are few, and drawn anew as the list scrolls
  return useVirtualizer({
    count: ids.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowPx,
    overscan: 8,
    initialRect: FIRST_VIEW,
    scrollPaddingStart: HEAD_PX,
    scrollPaddingEnd: HEAD_PX,
    getItemKey: (i) => ids[i]?.id ?? i,
  });
}

interface HeadProps {
  /** The first is that of the numbers, which is only said. */
  readonly heads: readonly string[];
  /** How wide the columns are. */
  readonly columns: string;
  /** Those that stand over words on the right. */
  readonly right?: readonly string[];
}

/** The head of a sheet. */
export function SheetHead({ heads, columns, right = [] }: HeadProps) {
  return (
    <div
      role="row"
      className="sticky top-0 z-20 grid min-w-full border-y border-line bg-card"
      style={{ gridTemplateColumns: columns, height: HEAD_PX }}
    >
      {heads.map((head) => (
        <span
          key={head}
          role="columnheader"
          className={`caps self-center truncate px-2 ${right.includes(head) ? 'text-right' : ''}`}
        >
          {head === '' ? <span className="sr-only">Number</span> : head}
        </span>
      ))}
    </div>
  );
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowUp: -1,
  ArrowDown: 1,
  PageUp: -10,
  PageDown: 10,
  Home: -1e6,
  End: 1e6,
};

/** How many rows a key goes on in a sheet; undefined for a key that does something else. */
export function rowStep(key: string): number | undefined {
  return STEPS[key];
}
