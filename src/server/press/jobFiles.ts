import { InputError } from '@/core/kit/inputError';
import type { FrameFormat } from '@/core/frame/formats';
import type { Output, Plane } from '@/core/outputs/output';
import { missingFor } from '@/core/outputs/output';
import { RATES } from '@/core/time/rates';
import { restingFrame, stretchTiming } from '@/core/titleTime/stretch';
import type { JobContent, JobTitle } from '@/db/schema';

/** Throws InputError for a kind of file that needs what this machine does not have. `encoders`: those of its ffmpeg, if any. */
export function refuseMissing(output: Output, encoders: ReadonlySet<string> | null): void {
  const missing = missingFor(output, encoders);
  if (missing === null) return;
  const advice = 'Install the Debian package ffmpeg, or choose a PNG still or sequence.';
  throw InputError.of('Output', `${missing} on this machine`, 'none', advice);
}

/** Throws InputError for a kind of file that cannot say what shape a format's pixels have. */
export function refuseShape(output: Output, { pixelAspect, label }: FrameFormat, where: string): void {
  if (!output.squareOnly || pixelAspect.across === pixelAspect.down) return;
  const expected = `a format with square pixels for ${output.label}`;
  throw InputError.of(where, expected, label, 'Choose another kind of file for it.');
}

const PLANE_NAMES: Readonly<Partial<Record<Plane, string>>> = {
  fill: 'fill',
  shapedFill: 'fill',
  key: 'key',
};

/** A file of each content for each of the planes, named by it where there are several. */
export function inPlanes(contents: readonly JobContent[], planes: readonly Plane[]): JobContent[] {
  return contents.flatMap((content) =>
    planes.map((plane) => {
      const name = PLANE_NAMES[plane];
      const fileStem = name === undefined ? content.fileStem : `${content.fileStem}-${name}`;
      return { ...content, fileStem, ...(plane === 'straight' ? {} : { plane }) };
    }),
  );
}

/** A title as one picture of it at rest. */
export function atRest(title: JobTitle, rateId: string): JobTitle {
  const timing = stretchTiming(title.document.timing, title.lengthFrames, RATES.get(rateId));
  return { ...title, onlyFrame: restingFrame(timing) };
}
