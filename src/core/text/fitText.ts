import type { LongStep, TextRun, TextStyle } from '../model/template';
import { assertNever } from '../kit/assertNever';
import type { FitFact } from './fitFacts';
import type { FontLibrary } from './fontLibrary';
import { cutGraphemes, countGraphemes } from './graphemes';
import type { Measures, MeasuredText, TextLayout, TextSpec } from './layoutText';
import { layoutMeasured, layoutText, measuresOf, measureText } from './layoutText';

export interface FittedText {
  readonly layout: TextLayout;
  /** What was done to make it fit, in order; empty when it fitted as designed. */
  readonly done: readonly FitFact[];
  readonly overflows: boolean;
  /** The size that it was set in, as a share of the designed one. */
  readonly scale: number;
}

type Spec = Omit<TextSpec, 'wrapWidthU' | 'squeeze'>;

// Rounding in widths must not count as too wide.
const TOLERANCE_U = 0.01;
// Halvings of the range of sizes: 2^-12 of it is far below a hundredth of a unit of width.
const HALVINGS = 12;

/**
 * Sets a text no wider than `maxWidthU`, taking the given steps in order until it fits. Lines that a wrap
 * allows count for the shrinking after it too: the largest size is found that fits in that many lines.
 */
export function fitText(
  spec: Spec,
  maxWidthU: number,
  steps: readonly LongStep[],
  fonts: FontLibrary,
): FittedText {
  const fitter = new Fitter(spec, spec.columnU ?? maxWidthU, fonts);
  fitter.limitLines(steps);
  for (const step of steps) {
    if (fitter.fits()) break;
    fitter.take(step);
  }
  const { layout, done, sizeU } = fitter;
  return { layout, done, overflows: !fitter.fits(), scale: sizeU / spec.style.sizeU };
}

class Fitter {
  layout: TextLayout;
  readonly done: FitFact[] = [];
  private readonly typedLines: number;
  private state: TextSpec;
  /** The text as it was shaped, which all trials of sizes and widths are asked of. */
  private measured: MeasuredText;
  /** How much smaller it is set than it was shaped. */
  private scale = 1;
  private maxLines = 1;

  constructor(
    spec: Spec,
    private readonly maxWidthU: number,
    private readonly fonts: FontLibrary,
  ) {
    this.state = { ...spec, wrapWidthU: spec.columnU ?? Infinity, squeeze: 1 };
    this.measured = measureText(this.state, fonts);
    this.layout = layoutMeasured(this.measured, fonts);
    // A column may have any number of lines until a wrap limits them.
    const inColumn = typeof spec.columnU === 'number';
    this.typedLines = inColumn ? 1 : this.layout.lines.length;
    if (inColumn) this.maxLines = Infinity;
  }

  fits(): boolean {
    return this.fitsAs({
      lines: this.layout.lines.length,
      width: widestOf(this.layout),
    });
  }

  private fitsAs({ lines, width }: Measures): boolean {
    return width <= this.maxWidthU + TOLERANCE_U && lines <= Math.max(this.typedLines, this.maxLines);
  }

  /** Whether the text as it was shaped fits with another squeeze or size, broken at the width that `state` has. */
  private wouldFit(change: {
    readonly squeeze?: number;
    readonly scale?: number;
    readonly wrapWidthU?: number;
  }): boolean {
    const { squeeze, wrapWidthU } = this.state;
    return this.fitsAs(measuresOf(this.measured, { squeeze, wrapWidthU, scale: this.scale, ...change }));
  }

  /** In a column, a wrap says at once how many lines there may be. */
  limitLines(steps: readonly LongStep[]): void {
    if (typeof this.state.columnU !== 'number') return;
    const wrap = steps.find((step) => step.kind === 'wrap');
    if (wrap !== undefined) this.maxLines = wrap.maxLines;
  }

  take(step: LongStep): void {
    switch (step.kind) {
      case 'wrap':
        this.maxLines = step.maxLines;
        if (!this.wouldFit({ wrapWidthU: this.maxWidthU })) return;
        this.keep({ ...this.state, wrapWidthU: this.maxWidthU });
        this.noteWrapping();
        return;
      case 'squeeze': {
        const squeeze = this.squeezeFor(step.minPercent / 100);
        this.keep({ ...this.state, squeeze });
        this.done.push({ kind: 'squeezed', share: squeeze });
        return;
      }
      case 'shrink':
        this.shrink(step.minSizeU);
        return;
      case 'cut':
        this.cut();
        return;
      default:
        assertNever(step, 'step');
    }
  }

  get sizeU(): number {
    return this.state.style.sizeU;
  }

  private squeezeFor(least: number): number {
    const widest = widestOf(this.layout);
    if (this.maxLines === 1) return Math.max(least, this.state.squeeze * (this.maxWidthU / widest));
    return largest(least, (squeeze) => this.wouldFit({ squeeze }));
  }

  private shrink(minSizeU: number): void {
    const least = minSizeU / this.state.style.sizeU;
    if (least >= 1) return;
    const wrapWidthU = this.maxLines > 1 ? this.maxWidthU : Infinity;
    const { scale } = this;
    const factor =
      this.maxLines > 1
        ? largest(least, (share) => this.wouldFit({ scale: scale * share, wrapWidthU }))
        : this.maxWidthU / this.layout.width;
    const taken = Math.max(least, factor);
    this.scale = scale * taken;
    this.keep({ ...scaleSpec(this.state, taken), wrapWidthU });
    this.done.push({ kind: 'shrunk', sizeU: this.state.style.sizeU });
    this.noteWrapping();
  }

  /** Leaves words off at the end, as few letters as will do, and says so with an ellipsis. */
  private cut(): void {
    const { runs } = this.state;
    const letters = runs.reduce((sum, run) => sum + countGraphemes(run.text), 0);
    const wrapWidthU = this.maxLines > 1 ? this.maxWidthU : Infinity;
    const cutTo = (count: number): TextSpec => ({ ...this.state, wrapWidthU, runs: cutRuns(runs, count) });
    const fitsCut = (count: number): boolean => {
      const spec = cutTo(count);
      return this.fitsAs(measuresOf(measureText(spec, this.fonts), { ...spec, scale: 1 }));
    };
    let low = 0;
    let high = letters;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (fitsCut(middle)) low = middle;
      else high = middle;
    }
    this.keep(cutTo(low));
    this.measured = measureText(this.state, this.fonts);
    this.scale = 1;
    this.done.push({ kind: 'cut', letters: low, of: letters });
    this.noteWrapping();
  }

  private keep(state: TextSpec): void {
    this.state = state;
    this.layout = layoutText(state, this.fonts);
  }

  private noteWrapping(): void {
    const earlier = this.done.findIndex(({ kind }) => kind === 'wrapped');
    if (earlier >= 0) this.done.splice(earlier, 1);
    if (this.layout.lines.length > this.typedLines)
      this.done.push({ kind: 'wrapped', lines: this.layout.lines.length });
  }
}

const widestOf = ({ lines }: TextLayout): number =>
  lines.reduce((widest, { width }) => Math.max(widest, width), 0);

/** The largest share from `least` up to 1 that fits, found by halving; the least when none does. */
function largest(least: number, fits: (share: number) => boolean): number {
  if (!fits(least)) return least;
  let low = least;
  let high = 1;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** The first letters of a text, with an ellipsis in place of the rest. */
function cutRuns(runs: readonly TextRun[], count: number): TextRun[] {
  const kept: TextRun[] = [];
  let left = count;
  for (const run of runs) {
    const letters = countGraphemes(run.text);
    if (letters > left) return [...kept, { ...run, text: `${cutGraphemes(run.text, left).trimEnd()}…` }];
    kept.push(run);
    left -= letters;
  }
  return kept;
}

function scaleSpec(spec: TextSpec, factor: number): TextSpec {
  const runs = spec.runs.map((run) =>
    run.style?.sizeU === undefined
      ? run
      : { ...run, style: { ...run.style, sizeU: run.style.sizeU * factor } },
  );
  return { ...spec, runs, style: scaleStyle(spec.style, factor) };
}

function scaleStyle(style: TextStyle, factor: number): TextStyle {
  return { ...style, sizeU: style.sizeU * factor };
}
