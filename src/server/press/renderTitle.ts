import { rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { FileFacts } from '@/contract/jobs';
import { videoId } from '@/core/display/moving';
import { stillOf, videoOf } from '@/core/project/ground';
import { titleTemplate } from '@/core/project/titleTemplate';
import { picturesOf } from '@/core/resolve/pictures';
import type { Face } from '@/core/faces/faces';
import type { FrameFormat } from '@/core/frame/formats';
import { paintedFormat } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import { shadesOf } from '@/core/outputs/output';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import type { JobContent, JobPayload, JobProgramme } from '@/db/schema';
import type { RenderPool } from './renderPool';
import { layGroundSound } from './ground/groundSound';
import type { Pixels } from './pictures/picture';
import { PICTURE_CODECS } from './pictures/pictureCodecs';
import { planeOf } from './planes';
import { posterName } from './posterName';
import { createSink } from './sinks';
import type { EarlierFile } from './reuse/earlierFile';
import type { ListedPicture } from './reuse/pictureList';
import { writePictureList } from './reuse/pictureList';
import { facesOf } from './facesOf';
import type { Sources } from './sources';
import { verifyFile } from './verifyFile';

/** Whether it is a whole programme that becomes a file. */
function isProgramme(content: JobContent): content is JobProgramme {
  return 'parts' in content;
}

/** The number of frames that a title, or a programme, takes in a job: one for stills. */
export function framesOf(payload: JobPayload, title: JobContent): number {
  if (isProgramme(title)) return title.lengthFrames;
  if (title.onlyFrame !== null) return 1;
  return stretchTiming(title.document.timing, title.lengthFrames, RATES.get(payload.rate)).totalFrames;
}

/** The pictures that a file shows, by what documents call them: stills, and videos within titles. */
function picturesIn(content: JobContent, format: FrameFormat): string[] {
  if (!isProgramme(content)) {
    const { document, values } = content;
    return picturesOf(titleTemplate(document, content, values), { format, values });
  }
  const { parts, documents, ground } = content;
  const all = parts.flatMap((part) =>
    picturesOf(titleTemplate(documents[part.document], part, part.values), { format, values: part.values }),
  );
  const stills = (ground?.clips ?? []).flatMap((clip) => stillOf(clip) ?? []);
  return [...new Set([...all, ...stills])];
}

/** The videos that are seen within titles and under a programme. */
function videosIn(content: JobContent, pictures: readonly string[]): string[] {
  const clips = isProgramme(content) ? (content.ground?.clips ?? []) : [];
  const all = [...pictures.map(videoId), ...clips.map(videoOf)];
  return [...new Set(all.filter((id) => id !== null))];
}

/** One try of several that there may be of a title, at the same time even. */
export interface Attempt {
  /** What no other try has. */
  readonly token: string;
  /** Whether nobody else has taken over meanwhile. */
  isWanted(): Promise<boolean>;
}

/** Of a title that nobody else makes. */
export const ONLY_ATTEMPT: Attempt = { token: 'only', isWanted: () => Promise.resolve(true) };

/** Called as pictures come: how many frames one stands for, and whether it had to be painted. */
export type OnFrames = (frames: number, isPainted: boolean) => void;

export interface TitleRender {
  readonly payload: JobPayload;
  readonly title: JobContent;
  readonly folder: string;
  readonly attempt: Attempt;
  /** A file that was made of it before: what did not change is taken from it. */
  readonly earlier?: EarlierFile | null;
  readonly pool: RenderPool;
  readonly sources: Sources;
  readonly signal: AbortSignal;
  readonly onFrames: OnFrames;
}

/** The files of faces. Throws where one is gone: another face in its place would be a guess. */
async function fontsOf(faces: readonly Face[], sources: Sources): Promise<ReadonlyMap<string, Uint8Array>> {
  const files = await sources.fonts(faces.flatMap((face) => Object.values(face.files)));
  const lacking = faces.find((face) => Object.values(face.files).some((id) => !files.has(id)));
  if (lacking === undefined) return files;
  throw new Error(
    `The font “${lacking.label}” is no longer here. Bring it in under House, Fonts, and order anew.`,
  );
}

/** Renders one title to a file and verifies it. The file has its name only once it is complete and right. */
export async function renderTitle({
  payload,
  title,
  folder,
  attempt,
  earlier = null,
  pool,
  sources,
  signal,
  onFrames,
}: TitleRender): Promise<FileFacts> {
  const startedAt = performance.now();
  const output = OUTPUTS.get(payload.output);
  const format = paintedFormat(payload.format, payload.interlaced === true);
  const rate = RATES.get(payload.rate);
  const name = `${title.fileStem}.${output.extension}`;
  const partial = join(folder, `${name}.${attempt.token}.part`);
  const timecode =
    title.timecodeFrame === undefined ? null : { frame: title.timecodeFrame, drop: payload.drop ?? false };
  const references: { frame: number; pixels: Pixels }[] = [];
  const poster: { png: Uint8Array | null } = { png: null };
  let [framesPainted, framesKept] = [0, 0];
  const pictureList: ListedPicture[] = [];
  const shown = picturesIn(title, format);
  const pictures = await sources.pictures(shown.filter((id) => videoId(id) === null));
  const { faces, fallbacks } = facesOf(payload, title);
  const own = faces.length === 0 ? undefined : { faces, files: await fontsOf(faces, sources) };
  const videos = await sources.videos(videosIn(title, shown));
  const samples = `${partial}.sound`;
  const ground = 'ground' in title ? title.ground : undefined;
  const plane = planeOf(title);
  const shades = shadesOf(output, payload.fine === true);
  const heard =
    ground !== undefined &&
    (await layGroundSound(samples, {
      ...ground,
      lengthFrames: framesOf(payload, title),
      rate,
      files: videos,
    }));
  const sink = createSink(output.id, {
    path: partial,
    format,
    rate,
    timecode,
    sound: heard ? samples : null,
    plane,
    deep: shades === 'deep',
    pictureExtension: output.frames === 'rgba' ? '' : PICTURE_CODECS[output.frames].extension,
  });
  const { writeCoded } = sink;
  try {
    await pool.render(
      {
        content: title,
        format: format.id,
        rate: rate.id,
        language: payload.language,
        interlaced: payload.interlaced,
        frames: output.frames,
        shades,
        limited: payload.limited,
        studio: payload.studio,
        pictures,
        own,
        fallbacks,
        videos,
        drop: payload.drop,
        ...(writeCoded === undefined ? {} : { known: earlier?.keys ?? new Set<string>() }),
      },
      {
        async frame(bytes, { repeats, key }) {
          await sink.write(bytes, repeats);
          framesPainted++;
          if (key !== null) pictureList.push({ key, repeats });
          onFrames(repeats, true);
        },
        async known(key, repeats) {
          if (earlier === null) throw new Error('A picture was taken for known that is not');
          await writeCoded?.(() => earlier.read(key), repeats);
          pictureList.push({ key, repeats });
          framesKept += repeats;
          onFrames(repeats, false);
        },
        reference(frame, pixels, png) {
          references.push({ frame, pixels });
          poster.png = png ?? poster.png;
        },
      },
      signal,
    );
    await sink.finish();
    if (references.length === 0 || poster.png === null)
      throw new Error('The renderer gave no frame to compare with');
    const found = await verifyFile(partial, {
      output,
      format,
      rate,
      frames: framesOf(payload, title),
      references,
      hasSound: heard,
      plane,
    });
    if (!(await attempt.isWanted())) throw new Error('Another machine makes it now');
    await writeFile(join(folder, posterName(name)), poster.png);
    if (pictureList.length > 0) await writePictureList(folder, name, pictureList);
    await rename(partial, join(folder, name));
    const { widthPx, heightPx } = format;
    return {
      titleId: title.titleId,
      name,
      widthPx,
      heightPx,
      framesPainted,
      ...(framesKept > 0 ? { framesKept } : {}),
      plane,
      bits: shades === 'deep' ? output.bits : 8,
      fine: shades !== 'plain',
      ...(payload.limited === true ? { limited: true } : {}),
      ...(payload.studio === true ? { studio: true } : {}),
      seconds: (performance.now() - startedAt) / 1000,
      ...found,
    };
  } catch (error) {
    await sink.abort();
    await rm(partial, { force: true });
    throw error;
  } finally {
    if (heard) await rm(samples, { force: true });
  }
}
