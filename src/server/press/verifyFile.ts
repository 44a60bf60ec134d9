import { stat } from 'node:fs/promises';
import { isStill } from '@/core/outputs/output';
import { hashFile } from '../hashFile';
import { videoColour } from './colour';
import type { FrameDifference } from './compareFrame';
import { compareFrame, worstOf } from './compareFrame';
import { decodeFrame } from './decodeFrame';
import type { Output } from '@/core/outputs/output';
import type { Expected, Found, Reference } from './expected';
import { runTool } from './ffmpeg';
import { movKind } from './mov/movFile';
import { readMov } from './mov/readMov';
import { readSequence, readStill, readWebp } from './readPictures';
import { rateArgument } from './sink';

export interface VerifiedFile {
  readonly bytes: number;
  readonly frames: number;
  readonly codec: string;
  readonly alphaErrorMax: number;
  readonly colourErrorMean: number;
  readonly colourErrorMax: number;
  /** How many of its frames were decoded and compared with what was painted. */
  readonly comparedFrames: number;
  readonly sha256: string;
}

/**
 * Reads a finished file back: its size, rate, tags, number and length of frames, and several of its frames decoded and
 * compared with what was painted. Throws for a file that is not as it should be.
 */
export async function verifyFile(path: string, expected: Expected): Promise<VerifiedFile> {
  const { output } = expected;
  // Side by side: each of them mostly waits for another program or for the disk.
  const [{ size }, sha256, { frames, codec, differences }] = await Promise.all([
    stat(path),
    hashFile(path),
    readBack(path, expected),
  ]);
  if (frames !== expected.frames)
    throw new Error(`The file has ${frames} frames instead of ${expected.frames}`);
  const { alphaMax, colourMean, colourMax } = worstOf(differences);
  if (alphaMax > output.alphaTolerance)
    throw new Error(`Alpha in the file differs by up to ${alphaMax} of 255 from what was painted`);
  if (colourMean > output.colourTolerance.mean || colourMax > output.colourTolerance.most)
    throw new Error(
      `Colours in the file differ by ${colourMean} of 255 at the mean, ${colourMax} at most, from what was painted`,
    );
  return {
    bytes: size,
    sha256,
    frames,
    codec,
    alphaErrorMax: alphaMax,
    colourErrorMean: colourMean,
    colourErrorMax: colourMax,
    comparedFrames: differences.length,
  };
}

async function readBack(path: string, expected: Expected): Promise<Found> {
  const { output } = expected;
  if (isStill(output)) return readStill(path, expected);
  switch (output.extension) {
    case 'zip':
      return readSequence(path, expected);
    case 'webp':
      return readWebp(path, expected);
    case 'mov':
      await checkMov(path, expected);
      return readVideo(path, expected);
    case 'mp4':
      return (await Promise.all([readVideo(path, expected), checkSound(path, expected)]))[0];
    default:
      return readVideo(path, expected);
  }
}

/** Whether a MOV's own boxes say what they must. */
async function checkMov(path: string, { format, rate, frames, plane }: Expected): Promise<void> {
  const mov = await readMov(path);
  const { across, down } = format.pixelAspect;
  const said: readonly (readonly [string, unknown, unknown])[] = [
    ['colour', mov.colour, videoColour(format).code],
    ['pixel aspect', mov.pixelAspect, [across, down]],
    ['number of fields', mov.fields?.[0], format.interlaced === true && frames > 1 ? 2 : 1],
    ['depth', mov.depth, movKind(plane).depth],
    ['graphics mode', mov.graphicsMode, movKind(plane).graphicsMode],
    ['time scale', mov.timescale, rate.numerator],
    ['lengths of frames', mov.lasts, [{ frames, ticks: rate.denominator }]],
  ];
  for (const [what, is, wanted] of said)
    if (JSON.stringify(is) !== JSON.stringify(wanted))
      throw new Error(`The file’s ${what} is ${JSON.stringify(is)} instead of ${JSON.stringify(wanted)}`);
}

// The last packet of a coded sound is filled up.
const SOUND_SLACK_SECONDS = 0.1;

/** Whether a file has sound where it should, for as long as its pictures. */
async function checkSound(path: string, { hasSound, frames, rate }: Expected): Promise<void> {
  const args = '-select_streams a -show_entries stream=duration -of csv=p=0'.split(' ');
  const lengths = (await runTool('ffprobe', [...args, path])).toString().trim().split('\n').filter(Boolean);
  if (lengths.length !== (hasSound ? 1 : 0))
    throw new Error(`The file has ${lengths.length} sound tracks instead of ${hasSound ? 1 : 0}`);
  const seconds = (frames * rate.denominator) / rate.numerator;
  if (hasSound && Math.abs(Number(lengths[0]) - seconds) > SOUND_SLACK_SECONDS)
    throw new Error(`The sound of the file lasts ${lengths[0]} s instead of ${seconds} s`);
}

/** How far (s) a frame's time may be off, by what the file's kind can say. */
function slackOf({ extension }: Output, frame: number): number {
  // Matroska keeps times in whole milliseconds.
  if (extension === 'webm') return 0.001;
  // Animated PNG says how long each frame lasts; ffprobe rounds each to hundred-thousandths.
  return extension === 'png' ? 1e-5 * (frame + 1) : 1e-5;
}

/** Two code points say one matrix (ITU-T H.273: 5 and 6); MXF has one label for both. */
const sameMatrix = (matrix: unknown): string => (matrix === 'bt470bg' ? 'smpte170m' : String(matrix));

async function readVideo(path: string, expected: Expected): Promise<Found> {
  const [facts, ...differences] = await Promise.all([
    readStream(path, expected),
    ...expected.references.map((reference) => compareVideo(path, expected, reference)),
  ]);
  return { ...facts, differences };
}

/** What ffprobe says of a video, which is to be as it was asked for. */
async function readStream(path: string, expected: Expected): Promise<Omit<Found, 'differences'>> {
  const { format, rate } = expected;
  const entries = 'stream=codec_name,width,height,color_space,color_primaries,color_transfer:packet=pts_time';
  const probe = ['-select_streams', 'v:0', '-show_entries', entries, '-of', 'json', path];
  const json: unknown = JSON.parse((await runTool('ffprobe', probe)).toString());
  const [stream] = listIn(json, 'streams');
  if (stream === undefined) throw new Error('The file has no picture in it');
  if (stream.width !== format.widthPx || stream.height !== format.heightPx)
    throw new Error(
      `The file is ${String(stream.width)} × ${String(stream.height)} instead of ${format.widthPx} × ${format.heightPx}`,
    );
  // What PNG codes is RGB; its boxes were read before.
  const { primaries, transfer, matrix } = videoColour(format);
  const tags = [stream.color_primaries, stream.color_transfer, sameMatrix(stream.color_space)].join(', ');
  const wanted = [primaries, transfer, matrix].join(', ');
  if (!['png', 'apng'].includes(String(stream.codec_name)) && tags !== wanted)
    throw new Error(`The file’s colour is ${tags} instead of ${wanted}`);
  const times = listIn(json, 'packets')
    .map(({ pts_time }) => Number(pts_time))
    .toSorted((a, b) => a - b);
  const late = times.findIndex(
    (time, i) => Math.abs(time - (i * rate.denominator) / rate.numerator) > slackOf(expected.output, i),
  );
  if (late >= 0)
    throw new Error(
      `Frame ${late} of the file is at ${times[late]} s, not at ${rateArgument(rate)} a second`,
    );
  return { frames: times.length, codec: String(stream.codec_name) };
}

/** A frame of a video, decoded, against how it was painted. */
async function compareVideo(
  path: string,
  { output, rate, plane }: Expected,
  { frame, pixels }: Reference,
): Promise<FrameDifference> {
  // The decoder that ffmpeg takes by itself leaves alpha out.
  const decoder = output.extension === 'webm' ? ['-c:v', 'libvpx-vp9'] : [];
  // Every picture of a MOV stands alone: more threads would decode those after it for nothing.
  const threads = output.extension === 'mov' ? ['-threads', '1'] : [];
  // A little before the frame's own time, so that rounding in the file does not skip it.
  const seek = Math.max(0, ((frame - 0.4) * rate.denominator) / rate.numerator).toFixed(6);
  const decoded = await decodeFrame([...decoder, ...threads, '-ss', seek, '-i', path], pixels);
  return compareFrame(decoded, pixels, plane === 'premultiplied');
}

function listIn(json: unknown, name: string): Readonly<Record<string, unknown>>[] {
  const list: unknown = typeof json === 'object' && json !== null ? Reflect.get(json, name) : undefined;
  if (!Array.isArray(list)) return [];
  return list.flatMap((one: unknown) => (typeof one === 'object' && one !== null ? [{ ...one }] : []));
}
