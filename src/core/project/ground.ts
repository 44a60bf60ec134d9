import { coverCrop } from '../layers/picture';
import type { PictureSize } from '../layers/layerKind';
import type { DisplayItem, HexColour } from '../display/list';
import { videoId } from '../display/moving';
import { rectOutline } from '../display/shapes';
import type { FrameFormat } from '../frame/formats';
import { pictureSize, unitsToPixels } from '../frame/formats';
import { IDENTITY } from '../kit/matrix';
import type { Clip } from '../model/project';
import { spanAt } from './lanes';
import type { FrameRate } from '../time/rates';
import { frameToSeconds } from '../time/rates';
import { SCENES } from '../scenes';
import { plain, sceneItems } from '../scenes/scene';

/** What of a clip decides what is seen of it under titles. */
export type GroundClip = Pick<Clip, 'picture' | 'startFrame' | 'lengthFrames' | 'sourceStartFrame'>;

/** What is seen where no clip is. */
export const NO_CLIP: HexColour = '#000000';
/** What is seen in place of a clip whose picture is not here. */
export const PICTURE_MISSING: HexColour = '#4a4c4b';

const ASSET = 'asset:';

/** The id of the still that a clip shows; null for one that shows none. */
export function stillOf({ picture }: Pick<GroundClip, 'picture'>): string | null {
  return picture.startsWith(ASSET) ? picture.slice(ASSET.length) : null;
}

/** The id of the video that a clip shows; null for one that shows none. */
export function videoOf({ picture }: Pick<GroundClip, 'picture'>): string | null {
  return videoId(picture);
}

/** What an image of a display list is called that fills the frame with a video, at a frame of the project's rate. */
export function videoImage(id: string, sourceFrame: number): string {
  return `ground:${id}@${sourceFrame}`;
}

interface GroundTools {
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  /** The size of a still by asset id, or of every frame of a video by its id; undefined for what is not here. */
  readonly sizeOf: (id: string) => PictureSize | undefined;
}

/**
 * What lies under the titles of a programme at a frame (halves are the frame's second field): the picture of the clip
 * that is there, filling the frame and never stretched. It covers the whole frame and is opaque.
 */
export function groundItems(
  clips: readonly GroundClip[],
  frame: number,
  { format, rate, sizeOf }: GroundTools,
): DisplayItem[] {
  const clip = spanAt(clips, frame);
  if (clip === undefined) return [wholeFrame(NO_CLIP, format)];
  const sourceFrame = frame - clip.startFrame + clip.sourceStartFrame;
  const scene = SCENES.find(clip.picture);
  const ground = wholeFrame(clip.picture.startsWith('#') ? clip.picture : PICTURE_MISSING, format);
  if (scene !== undefined) return [ground, ...sceneItems(scene, frameToSeconds(sourceFrame, rate), format)];
  const [still, video] = [stillOf(clip), videoOf(clip)];
  const id = still ?? video;
  const size = id === null ? undefined : sizeOf(id);
  if (id === null || size === undefined) return [ground];
  const asset = video === null ? id : videoImage(id, Math.floor(sourceFrame));
  const { widthU, heightU } = pictureSize(format);
  const rect = { x: 0, y: 0, width: widthU, height: heightU };
  const matrix = unitsToPixels(format);
  return [ground, { kind: 'image', asset, sourcePx: coverCrop(size, rect), rect, matrix, opacity: 1 }];
}

function wholeFrame(colour: HexColour, { widthPx, heightPx }: FrameFormat): DisplayItem {
  const outline = rectOutline({ x: 0, y: 0, width: widthPx, height: heightPx });
  return { kind: 'fill', outline, paint: plain(colour), matrix: IDENTITY, opacity: 1 };
}
