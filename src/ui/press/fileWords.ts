import type { FileFacts, JobSummary } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import { hasAlpha, isStill } from '@/core/outputs/output';
import { counted } from '../shared/counted';

/** Whether a file has alpha of its own; older files have. */
export function hasAlphaIn({ plane = 'straight' }: FileFacts): boolean {
  return hasAlpha(plane);
}

/** What was looked at in a file, and how far it is from what was painted, as names and words. */
export function comparedFacts(file: FileFacts): readonly (readonly [string, string])[] {
  const { comparedFrames, alphaErrorMax, colourErrorMean = 0, colourErrorMax = 0 } = file;
  const alpha =
    alphaErrorMax === 0 ? 'exactly as painted' : `within ${alphaErrorMax} of 255 of what was painted`;
  if (comparedFrames === undefined) return [['Alpha', alpha]];
  if (comparedFrames === 0) return [['Compared', 'nothing; its frames were counted only']];
  const colour =
    colourErrorMax === 0
      ? 'exactly as painted'
      : `seen within ${colourErrorMean} of 255 of what was painted at the mean, ${colourErrorMax} at most`;
  return [
    ['Compared', `${counted(comparedFrames, 'decoded frame')} with what was painted`],
    ...(hasAlphaIn(file) ? [['Alpha', alpha] as const] : []),
    ['Colour', colour],
  ];
}

/** Whether a job's files are single pictures, which have no rate. */
export function isStillJob({ output }: Pick<JobSummary, 'output'>): boolean {
  const kind = OUTPUTS.find(output);
  return kind !== undefined && isStill(kind);
}
