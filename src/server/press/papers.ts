import { join } from 'node:path';
import type { FileFacts } from '@/contract/jobs';
import { PLACED_FORMATS } from '@/core/formats/placed';
import type { PlacedFiles } from '@/core/formats/placed/placedFiles';
import { OUTPUTS } from '@/core/outputs';
import { FORMATS } from '@/core/frame/formats';
import { labelOf } from '@/core/time/timecode';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import { serverFonts } from '../fontFiles';
import type { SheetEntry } from './contactSheet';
import { contactSheetPdf } from './contactSheet';
import { posterName } from './posterName';
import type { JobPaper, JobPayload, JobPlace, JobTitle } from '@/db/schema';
import { fileSlug } from '@/core/kit/fileSlug';

type Papers = Pick<JobPayload, 'name' | 'output' | 'format' | 'rate' | 'drop' | 'titles' | 'papers'>;

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

/** The name of the sheet with a job's titles at rest; none for a whole programme. */
function sheetName(job: Papers): string | null {
  const titles = new Set(job.titles.flatMap((title) => ('parts' in title ? [] : title.titleId)));
  // One title by itself needs no sheet.
  return titles.size < 2 ? null : `${stemOf(job)}-sheet.pdf`;
}

/** The names of what goes beside a job's files: captions as files, timelines that refer to its files, and a sheet of them. */
export function paperNames(job: Papers): string[] {
  const sheet = sheetName(job);
  return [
    ...(job.papers ?? []).map(({ name }) => name),
    ...timelinesOf(job).map(({ name }) => name),
    ...(sheet === null ? [] : [sheet]),
  ];
}

interface Paper {
  readonly bytes: Buffer;
  readonly mediaType: string;
}

/**
 * What goes beside a job's files under a name, as the job's files are now; undefined for a name that it does not have.
 * `folder`: where its files lie.
 */
export async function paperOf(
  job: Papers,
  files: readonly FileFacts[],
  name: string,
  folder: string,
): Promise<Paper | undefined> {
  if (name === sheetName(job))
    return { bytes: await sheetOf(job, files, folder), mediaType: 'application/pdf' };
  const kept = job.papers?.find((paper: JobPaper) => paper.name === name);
  if (kept !== undefined) return { bytes: Buffer.from(kept.base64, 'base64'), mediaType: kept.mediaType };
  const timeline = timelinesOf(job).find((one) => one.name === name);
  if (timeline === undefined) return undefined;
  const text = timeline.format.write(placedFilesOf(job, files))[timeline.part];
  return { bytes: Buffer.from(text), mediaType: timeline.format.mediaType };
}

/** The file of each title; of a pair the fill, whose key has the same place. */
function filesByTitle(files: readonly FileFacts[]): ReadonlyMap<string, FileFacts> {
  return new Map(files.filter(({ plane }) => plane !== 'key').map((file) => [file.titleId, file]));
}

function placedFilesOf(job: Papers, files: readonly FileFacts[]): PlacedFiles {
  const rate = RATES.get(job.rate);
  const made = filesByTitle(files);
  const titles = placedTitles(job);
  const [first] = titles;
  const startFrame = first.timecodeFrame - first.place.startFrame;
  const { timecode: saysTimecode } = OUTPUTS.get(job.output);
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
        firstLabel: saysTimecode ? timecodeFrame : null,
      };
    }),
  };
}

/** The titles of a job at rest, as far as they are made, in the order in which they stand in it. */
async function sheetOf(job: Papers, files: readonly FileFacts[], folder: string): Promise<Buffer> {
  const made = filesByTitle(files);
  const titles = job.titles.filter(
    (title): title is JobTitle => !('parts' in title) && title.plane !== 'key',
  );
  const rate = RATES.get(job.rate);
  const mode = job.drop === true ? 'drop' : 'non-drop';
  const entries = titles.map((title): SheetEntry => {
    const { titleId, document, lengthFrames, timecodeFrame, place, fileStem } = title;
    const file = made.get(titleId);
    const number = place === undefined ? '' : String(place.number).padStart(3, '0');
    const seconds = (lengthFrames * rate.denominator) / rate.numerator;
    const times = [
      ...(timecodeFrame === undefined ? [] : [labelOf(timecodeFrame, { rate, mode })]),
      `${seconds.toFixed(1)} s`,
      document.name,
      ...(file === undefined ? ['not made'] : []),
    ];
    const words = place?.words ?? '';
    return {
      number,
      words: words === '' ? fileStem : words,
      times: times.join(' · '),
      picture: file === undefined ? null : join(folder, posterName(file.name)),
    };
  });
  const { widthPx, heightPx, pixelAspect } = FORMATS.get(job.format);
  return contactSheetPdf({
    heading: job.name,
    entries,
    shape: (widthPx * pixelAspect.across) / pixelAspect.down / heightPx,
    fonts: await serverFonts(),
  });
}
