import type { LongStep, TextStyle } from '../document/template';
import type { FontLibrary } from './fontLibrary';
import type { TextLayout, TextSpec } from './layoutText';
import { layoutText } from './layoutText';

export interface FittedText {
  readonly layout: TextLayout;
  /** What was done to make it fit, in words; empty when it fitted as designed. */
  readonly done: readonly string[];
  readonly overflows: boolean;
}

type Spec = Omit<TextSpec, 'wrapWidthU' | 'squeeze'>;

// Rounding in widths must not count as too wide.
const TOLERANCE_U = 0.01;

/** Sets a text no wider than `maxWidthU`, taking the given steps in order until it fits. */
export function fitText(
  spec: Spec,
  maxWidthU: number,
  steps: readonly LongStep[],
  fonts: FontLibrary,
): FittedText {
  let state: TextSpec = { ...spec, wrapWidthU: Infinity, squeeze: 1 };
  let layout = layoutText(state, fonts);
  const done: string[] = [];
  for (const step of steps) {
    if (layout.width <= maxWidthU + TOLERANCE_U) break;
    const next = takeStep(step, state, layout, maxWidthU, fonts);
    if (next === null) continue;
    ({ state, layout } = next);
    done.push(next.words);
  }
  return { layout, done, overflows: layout.width > maxWidthU + TOLERANCE_U };
}

interface Step {
  readonly state: TextSpec;
  readonly layout: TextLayout;
  readonly words: string;
}

function takeStep(
  step: LongStep,
  state: TextSpec,
  layout: TextLayout,
  maxWidthU: number,
  fonts: FontLibrary,
): Step | null {
  if (step.kind === 'wrap') {
    const wrapped = { ...state, wrapWidthU: maxWidthU };
    const next = layoutText(wrapped, fonts);
    const added = next.lines.length - layout.lines.length;
    // More lines than allowed: leave it unwrapped, so that the steps that follow can still save it.
    if (added === 0 || next.lines.length > step.maxLines) return null;
    return { state: wrapped, layout: next, words: `wrapped to ${next.lines.length} lines` };
  }
  if (step.kind === 'squeeze') {
    const squeeze = Math.max(step.minPercent / 100, state.squeeze * (maxWidthU / layout.width));
    const next = { ...state, squeeze };
    return {
      state: next,
      layout: layoutText(next, fonts),
      words: `squeezed to ${Math.round(squeeze * 100)} %`,
    };
  }
  const factor = Math.max(step.minSizeU / state.style.sizeU, maxWidthU / layout.width);
  if (factor >= 1) return null;
  const next = {
    ...state,
    style: scaleStyle(state.style, factor),
    runs: state.runs.map((run) => scaleRun(run, factor)),
  };
  const words = `shrunk to ${Math.round(next.style.sizeU)} u`;
  return { state: next, layout: layoutText(next, fonts), words };
}

function scaleStyle(style: TextStyle, factor: number): TextStyle {
  return { ...style, sizeU: style.sizeU * factor };
}

function scaleRun(run: Spec['runs'][number], factor: number): Spec['runs'][number] {
  if (run.style?.sizeU === undefined) return run;
  return { ...run, style: { ...run.style, sizeU: run.style.sizeU * factor } };
}
