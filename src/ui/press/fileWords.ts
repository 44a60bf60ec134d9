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

/** How many frames a file has, how many pictures were painted for them, and how many were as in the file before it. */
export function frameWords({ frames, framesPainted, framesKept = 0 }: FileFacts): string {
  if (framesKept === 0) return `${frames}, of which ${framesPainted} different`;
  return `${frames}: ${framesKept} as in its last file, ${counted(framesPainted, 'picture')} painted anew`;
}

/** How many bits a channel a file has where they are not the usual eight, and whether they were dithered down to these. */
export function depthFacts({ bits = 8, fine = false }: FileFacts): readonly (readonly [string, string])[] {
  if (bits > 8) return [['Depth', `${bits} bits a channel`]];
  return fine ? [['Depth', '8 bits a channel, dithered from more']] : [];
}

/** What its delivery asked of a file's colours and levels. */
export function signalFacts({
  limited = false,
  studio = false,
}: FileFacts): readonly (readonly [string, string])[] {
  return [
    ...(limited ? [['Limits', 'colours of composite video, as in bars 100/0/75/0'] as const] : []),
    ...(studio ? [['Levels', 'studio: black at 16, white at 235'] as const] : []),
  ];
}

/** Whether a job's files are single pictures, which have no rate. */
export function isStillJob({ output }: Pick<JobSummary, 'output'>): boolean {
  const kind = OUTPUTS.find(output);
  return kind !== undefined && isStill(kind);
}
