import type { TextRun, TextStyle } from '../document/template';
import { sameValue } from '../kit/sameValue';

/** The words of runs as one string. */
function runsText(runs: readonly TextRun[]): string {
  return runs.map((run) => run.text).join('');
}

/**
 * Runs that read otherwise: what stays at the beginning and end keeps its style, what is new between takes the
 * style of what stood there (at a border, of what stands before it).
 */
export function retypeRuns(runs: readonly TextRun[], text: string): TextRun[] {
  const old = runsText(runs);
  if (runs.length < 2) return [{ ...runs[0], text }];
  let start = 0;
  while (start < old.length && start < text.length && old[start] === text[start]) start++;
  let end = 0;
  while (end < old.length - start && end < text.length - start && old.at(-1 - end) === text.at(-1 - end))
    end++;
  const styles = characterStyles(runs);
  const added = styles[start === 0 ? 0 : start - 1];
  const next = [
    ...styles.slice(0, start),
    ...new Array<TextRun['style']>(text.length - start - end).fill(added),
    ...styles.slice(old.length - end),
  ];
  return joinRuns(text, next);
}

/** Runs with a stretch [start, end) (UTF-16 positions) set apart: what is given is added to its style; null takes all of it away. */
export function styleRange(
  runs: readonly TextRun[],
  start: number,
  end: number,
  change: Partial<TextStyle> | null,
): TextRun[] {
  const styles = characterStyles(runs).map((style, i) => {
    if (i < start || i >= end) return style;
    return change === null ? undefined : { ...style, ...change };
  });
  return joinRuns(runsText(runs), styles);
}

function characterStyles(runs: readonly TextRun[]): TextRun['style'][] {
  return runs.flatMap((run) => new Array<TextRun['style']>(run.text.length).fill(run.style));
}

function joinRuns(text: string, styles: readonly TextRun['style'][]): TextRun[] {
  const runs: { text: string; style?: TextRun['style'] }[] = [];
  for (let i = 0; i < text.length; i++) {
    const last = runs.at(-1);
    if (last !== undefined && sameValue(last.style, styles[i])) last.text += text[i];
    else runs.push(styles[i] === undefined ? { text: text[i] } : { text: text[i], style: styles[i] });
  }
  return runs.length === 0 ? [{ text: '' }] : runs;
}
