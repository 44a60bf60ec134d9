import type { Input } from 'mediabunny';
import { FramesInTurn } from './framesInTurn';

/** A decoded frame: in a worker an OffscreenCanvas. */
export type VideoFrameImage = OffscreenCanvas | HTMLCanvasElement;

/** A video that was opened: what can be asked of it for frames, and what it is. */
export interface OpenVideo {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly seconds: number;
  readonly framesPerSecond: number;
  /** The frame that is on screen at a time; null beyond the end. */
  frameAt(seconds: number): Promise<VideoFrameImage | null>;
}

/**
 * Opens an MP4 or WebM. Throws an error with words for people for a file that is none, has no pictures, or has pictures
 * that this browser cannot decode. The package is fetched when the first video is opened.
 */
export async function openVideo(file: Blob | URL, name: string, widthPx?: number): Promise<OpenVideo> {
  const media = await import('mediabunny');
  const input = new media.Input({
    // Of one that lies on the server only the parts that are asked for are fetched.
    source: file instanceof URL ? new media.UrlSource(file) : new media.BlobSource(file),
    formats: [media.MP4, media.WEBM, media.QTFF],
  });
  const track = await pictureTrack(input, name);
  if (!(await track.canDecode()))
    throw new Error(
      `This browser cannot decode “${name}” (${track.codec ?? 'unknown codec'}). Bring it in as WebM with VP9, or as MP4 with H.264.`,
    );
  const stats = await track.computePacketStats(60);
  const width = widthPx === undefined ? {} : { width: Math.min(widthPx, track.displayWidth) };
  const frames = new FramesInTurn(new media.CanvasSink(track, { ...width, poolSize: 0 }));
  const first = await track.getFirstTimestamp();
  return {
    widthPx: track.displayWidth,
    heightPx: track.displayHeight,
    seconds: await track.computeDuration(),
    framesPerSecond: stats.averagePacketRate,
    frameAt: (seconds) => frames.at(seconds + first),
  };
}

async function pictureTrack(input: Input, name: string) {
  const track = await input.getPrimaryVideoTrack().catch(() => null);
  if (track === null)
    throw new Error(`“${name}” is no MP4 or WebM with pictures, or it is not whole. Export it again.`);
  return track;
}

const opening = new Map<string, Promise<OpenVideo>>();

/** An uploaded video, opened once for each width that is asked for. */
export function uploadedVideo(id: string, widthPx: number): Promise<OpenVideo> {
  const key = `${id} ${widthPx}`;
  const known = opening.get(key);
  if (known !== undefined) return known;
  const address = new URL(`/api/media/${encodeURIComponent(id)}`, globalThis.location.href);
  const started = openVideo(address, 'The video', widthPx);
  opening.set(key, started);
  started.catch(() => opening.delete(key));
  return started;
}

/** A frame of an uploaded video at a time; null beyond its end. Rejects for one that is not here. */
export async function videoFrame(
  id: string,
  seconds: number,
  widthPx: number,
): Promise<VideoFrameImage | null> {
  return (await uploadedVideo(id, widthPx)).frameAt(Math.max(0, seconds));
}
