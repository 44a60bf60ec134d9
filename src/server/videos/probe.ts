import { hasFfmpeg, runTool } from '../press/ffmpeg';

/** What a video's file says of itself. */
export interface VideoFacts {
  /** The codec of its pictures, by its usual short name; empty where nobody can tell. */
  readonly codec: string;
  readonly seconds: number;
  readonly widthPx: number;
  /** The timecode of its first frame as the file says it; empty where it says none. */
  readonly startTimecode: string;
  readonly hasSound: boolean;
}

/** What ffprobe says of one stream. */
export interface Stream {
  readonly codec_type?: string;
  readonly codec_name?: string;
  readonly width?: number;
  readonly height?: number;
  readonly sample_aspect_ratio?: string;
  readonly color_space?: string;
  readonly duration?: string;
  readonly side_data_list?: readonly { readonly rotation?: number }[];
  readonly tags?: { readonly timecode?: string };
}

interface Probed {
  readonly streams?: readonly Stream[];
  readonly format?: { readonly duration?: string; readonly tags?: { readonly timecode?: string } };
}

const TIMECODE = /^\d{2}[:;.]\d{2}[:;.]\d{2}[:;.]\d{2,3}$/;

/** What ffprobe said; nothing where a file's own words broke it. */
function parsed(text: string): Probed {
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
}

/** What ffprobe says of a file; null where there is none, or it cannot read it. */
export async function probe(path: string): Promise<Probed | null> {
  if (!hasFfmpeg()) return null;
  const args = ['-show_streams', '-show_format', '-of', 'json', '-protocol_whitelist', 'file', path];
  const said = await runTool('ffprobe', args).catch(() => null);
  return said === null ? null : parsed(said.toString());
}

/** Looks into a video's file; null where there is no ffprobe or it finds no pictures in it. */
export async function probeVideo(path: string): Promise<VideoFacts | null> {
  const found = await probe(path);
  if (found === null) return null;
  const streams = found.streams ?? [];
  const pictures = streams.find(({ codec_type }) => codec_type === 'video');
  if (pictures === undefined) return null;
  const timecodes = [...streams.map(({ tags }) => tags?.timecode), found.format?.tags?.timecode];
  return {
    codec: pictures.codec_name ?? '',
    seconds: Number(found.format?.duration ?? 0) || 0,
    widthPx: pictures.width ?? 0,
    // What a file calls its timecode may be anything.
    startTimecode: timecodes.find((timecode) => timecode !== undefined && TIMECODE.test(timecode)) ?? '',
    hasSound: streams.some(({ codec_type }) => codec_type === 'audio'),
  };
}

/** What the sound in a file is. */
export interface SoundFacts {
  /** By its usual short name. */
  readonly codec: string;
  readonly seconds: number;
}

/** Looks for sound in a file; null where there is no ffprobe or it finds none. */
export async function probeSound(path: string): Promise<SoundFacts | null> {
  const found = await probe(path);
  const sound = found?.streams?.find(({ codec_type }) => codec_type === 'audio');
  if (sound === undefined) return null;
  return { codec: sound.codec_name ?? '', seconds: Number(found?.format?.duration ?? 0) || 0 };
}

const SHOWN_BY_BROWSERS = new Set(['h264', 'vp8', 'vp9', 'av1']);

/** Whether browsers show pictures of a codec. */
export const isShownByBrowsers = ({ codec }: VideoFacts): boolean => SHOWN_BY_BROWSERS.has(codec);
