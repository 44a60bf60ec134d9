import type { Layer } from '../model/template';
import { layerWords, rowWords, shownRows } from '../model/template';
import type { ReadingRules } from '../model/rules';
import { isInTurn } from './chainReading';
import { readingSeconds } from '../text/readingTime';

/** Words that have to be read, and how much earlier than the last of all they are there. */
export interface ReadingNeed {
  readonly reads: number;
  readonly aheadSeconds: number;
}

/**
 * What of a title takes longest to read for the time that it has. All its words, or, where rows of a list come at
 * moments of their own, those that come from one of these moments on: rows before it were read meanwhile. A moment
 * after `latestSeconds` (from the title's start) counts as that: rows never come later.
 */
export function hardestReading(
  all: readonly Layer[],
  rules: ReadingRules | undefined,
  latestSeconds: number,
): ReadingNeed {
  // Lines and pages that replace one another are read one by one (`worstLink`).
  const layers = all.filter((layer) => !isInTurn(layer));
  const rows = layers.flatMap((layer) => {
    if (layer.kind !== 'rows' || layer.moments === undefined || !layer.visible) return [];
    const { moments } = layer;
    return shownRows(layer).map((row, i) => ({
      words: rowWords(row),
      at: Math.min(latestSeconds, moments[i] ?? moments[moments.length - 1] ?? 0),
    }));
  });
  const times = [...new Set(rows.map(({ at }) => at))].toSorted((a, b) => a - b);
  const last = times[times.length - 1] ?? 0;
  const whole = {
    reads: readingSeconds(layers.map(layerWords).join(' '), rules),
    aheadSeconds: last - (times[0] ?? 0),
  };
  const later = times.slice(1).map((from): ReadingNeed => {
    const words = rows.filter(({ at }) => at >= from).map((row) => row.words);
    return { reads: readingSeconds(words.join(' '), rules), aheadSeconds: last - from };
  });
  return later.reduce(
    (worst, one) => (one.reads - one.aheadSeconds > worst.reads - worst.aheadSeconds ? one : worst),
    whole,
  );
}
