import type { FileFacts } from '@/contract/jobs';
import { PLACED_FORMATS } from '@/core/formats/placed';
import type { PlacedFiles } from '@/core/formats/placed/placedFiles';
import { OUTPUTS } from '@/core/outputs';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import type { JobPaper, JobPayload, JobPlace, JobTitle } from '@/db/schema';
import { fileSlug } from '@/core/kit/fileSlug';

type Papers = Pick<JobPayload, 'name' | 'output' | 'rate' | 'drop' | 'titles' | 'papers'>;

type PlacedTitle = JobTitle & { readonly place: JobPlace; readonly timecodeFrame: number };

/** The titles of a job that stand in a project, if its files can be put into a timeline. */
function placedTitles({ output, titles }: Papers): PlacedTitle[] {
  // No editing system takes pictures out of a zip.
  if (OUTPUTS.find(output)?.extension === 'zip') return [];
  return titles.filter(
    (title): title is PlacedTitle =>
      !('parts' in title) &&
      title.place !== undefined &&
      title.plane !== 'key' &&
      title.timecodeFrame !== undefined,
  );
}

function stemOf({ name }: Papers): string {
  return fileSlug(name) || 'titles';
}

interface NamedPart {
  readonly name: string;
  readonly format: (typeof PLACED_FORMATS.list)[number];
  readonly part: number;
}

/** The timelines that a job's files are put into by, by name: one list for each lane in formats of one track. */
function timelinesOf(job: Papers): NamedPart[] {
  const lanes = [...new Set(placedTitles(job).map(({ place }) => place.lane))].toSorted((a, b) => a - b);
  // One title by itself is no timeline.
  if (placedTitles(job).length < 2) return [];
  return PLACED_FORMATS.list.flatMap((format) => {
    const parts = format.parts(lanes.length);
    return Array.from({ length: parts }, (_, part) => {
      const lane = parts === 1 ? '' : `-lane-${lanes[part] + 1}`;
      return { name: `${stemOf(job)}${lane}.${format.extension}`, format, part };
    });
  });
}

/** The names of what goes beside a job's files: captions as files, and timelines that refer to its files. */
export function paperNames(job: Papers): string[] {
  return [...(job.papers ?? []).map(({ name }) => name), ...timelinesOf(job).map(({ name }) => name)];
}

/** What goes beside a job's files under a name, as the job's files are now; undefined for a name that it does not have. */
export function paperOf(
  job: Papers,
  files: readonly FileFacts[],
  name: string,
): { readonly bytes: Buffer; readonly mediaType: string } | undefined {
  const kept = job.papers?.find((paper: JobPaper) => paper.name === name);
  if (kept !== undefined) return { bytes: Buffer.from(kept.base64, 'base64'), mediaType: kept.mediaType };
  const timeline = timelinesOf(job).find((one) => one.name === name);
  if (timeline === undefined) return undefined;
  const text = timeline.format.write(placedFilesOf(job, files))[timeline.part];
  return { bytes: Buffer.from(text), mediaType: timeline.format.mediaType };
}

function placedFilesOf(job: Papers, files: readonly FileFacts[]): PlacedFiles {
  const rate = RATES.get(job.rate);
  // Of a pair the fill is in the timeline; its key has the same place.
  const made = new Map(files.filter(({ plane }) => plane !== 'key').map((file) => [file.titleId, file]));
  const titles = placedTitles(job);
  const [first] = titles;
  const startFrame = first.timecodeFrame - first.place.startFrame;
  const { extension } = OUTPUTS.get(job.output);
  return {
    name: job.name,
    clock: clockOf(rate, {
      mode: job.drop === true ? 'drop' : 'non-drop',
      startFrame: Math.max(0, startFrame),
    }),
    files: titles.map(({ titleId, document, lengthFrames, timecodeFrame, place }) => {
      const file = made.get(titleId);
      return {
        ...place,
        file: file?.name ?? null,
        sha256: file?.sha256 ?? '',
        template: document.name,
        lengthFrames,
        fileFrames: file?.frames ?? lengthFrames,
        // Only our MOV files say a timecode of their own.
        firstLabel: extension === 'mov' ? timecodeFrame : null,
      };
    }),
  };
}
