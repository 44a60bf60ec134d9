import type { LongStep } from '../model/template';

/** The path of the property that holds what is done when a text is long, all steps together. */
export const LONG_STEPS_PATH = 'whenLong';

/** Steps as one line, in their order: `wrap 2, squeeze 82, shrink 34, cut`; empty for none. */
export function stepsToText(steps: readonly LongStep[]): string {
  return steps
    .map((step) => {
      if (step.kind === 'wrap') return `wrap ${step.maxLines}`;
      if (step.kind === 'squeeze') return `squeeze ${step.minPercent}`;
      return step.kind === 'shrink' ? `shrink ${step.minSizeU}` : 'cut';
    })
    .join(', ');
}

const STEP = /^(?:(wrap|squeeze|shrink) (\d+(?:\.\d+)?)|cut)$/;

/** The steps that such a line names, figures kept in their ranges; null for a line that is none, or names one twice. */
export function textToSteps(text: string): LongStep[] | null {
  const words = text.split(',').map((word) => word.trim());
  if (words.length === 1 && words[0] === '') return [];
  const steps = words.map(stepOf);
  const known = steps.filter((step) => step !== null);
  const kinds = new Set(known.map(({ kind }) => kind));
  return known.length === words.length && kinds.size === known.length ? known : null;
}

function stepOf(word: string): LongStep | null {
  const found = STEP.exec(word);
  if (found === null) return null;
  const within = (least: number, most: number): number => Math.max(least, Math.min(most, Number(found[2])));
  if (found[1] === 'wrap') return { kind: 'wrap', maxLines: Math.round(within(1, 40)) };
  if (found[1] === 'squeeze') return { kind: 'squeeze', minPercent: within(20, 100) };
  return found[1] === 'shrink' ? { kind: 'shrink', minSizeU: within(1, 4000) } : { kind: 'cut' };
}
