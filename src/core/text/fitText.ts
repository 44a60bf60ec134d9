import type { LongStep, TextStyle } from '../document/template';
import { assertNever } from '../kit/assertNever';
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
  const fitter = new Fitter(spec, maxWidthU, fonts);
  for (const step of steps) {
    if (fitter.fits()) break;
    fitter.take(step);
  }
  return { layout: fitter.layout, done: fitter.done, overflows: !fitter.fits() };
}

class Fitter {
  layout: TextLayout;
  readonly done: string[] = [];
  private readonly typedLines: number;
  private state: TextSpec;
  private maxLines = 1;

  constructor(
    spec: Spec,
    private readonly maxWidthU: number,
    private readonly fonts: FontLibrary,
  ) {
    this.state = { ...spec, wrapWidthU: Infinity, squeeze: 1 };
    this.layout = layoutText(this.state, fonts);
    this.typedLines = this.layout.lines.length;
  }

  fits(layout = this.layout): boolean {
    const most = Math.max(this.typedLines, this.maxLines);
    return layout.width <= this.maxWidthU + TOLERANCE_U && layout.lines.length <= most;
  }

  take(step: LongStep): void {
    switch (step.kind) {
      case 'wrap':
        this.maxLines = step.maxLines;
        this.keepIfFits({ ...this.state, wrapWidthU: this.maxWidthU });
        return;
      case 'squeeze': {
        const squeeze = Math.max(
          step.minPercent / 100,
          this.state.squeeze * (this.maxWidthU / this.layout.width),
        );
        this.keep({ ...this.state, squeeze });
        this.done.push(`squeezed to ${Math.round(squeeze * 100)} %`);
        return;
      }
      case 'shrink':
        this.shrink(step.minSizeU);
        return;
      default:
        assertNever(step, 'step');
    }
  }

  private shrink(minSizeU: number): void {
    const least = minSizeU / this.state.style.sizeU;
    if (least >= 1) return;
    const wrapWidthU = this.maxLines > 1 ? this.maxWidthU : Infinity;
    const scaled = (factor: number): TextSpec => ({ ...scaleSpec(this.state, factor), wrapWidthU });
    const factor =
      this.maxLines > 1 ? this.largestWrapped(least, scaled) : this.maxWidthU / this.layout.width;
    this.keep(scaled(Math.max(least, factor)));
    this.done.push(`shrunk to ${Math.round(this.state.style.sizeU)} u`);
    this.noteWrapping();
  }

  /** The largest factor at which the wrapped text fits, found by halving; the least when none does. */
  private largestWrapped(least: number, scaled: (factor: number) => TextSpec): number {
    if (!this.fits(layoutText(scaled(least), this.fonts))) return least;
    let low = least;
    let high = 1;
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (low + high) / 2;
      if (this.fits(layoutText(scaled(middle), this.fonts))) low = middle;
      else high = middle;
    }
    return low;
  }

  private keepIfFits(state: TextSpec): void {
    const layout = layoutText(state, this.fonts);
    if (!this.fits(layout)) return;
    this.state = state;
    this.layout = layout;
    this.noteWrapping();
  }

  private keep(state: TextSpec): void {
    this.state = state;
    this.layout = layoutText(state, this.fonts);
  }

  private noteWrapping(): void {
    if (this.layout.lines.length > this.typedLines)
      this.done.push(`wrapped to ${this.layout.lines.length} lines`);
  }
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
