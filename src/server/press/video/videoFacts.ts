import type { PictureSize } from '@/core/layers/layerKind';
import type { Stream } from '../../videos/probe';
import { probe } from '../../videos/probe';

/** What the press has to know of a video to show it. */
export interface PressVideo {
  readonly path: string;
  /** As it is looked at: turned, and in square pixels. */
  readonly size: PictureSize;
  /** The matrix that its colours are in, as ffmpeg calls it. */
  readonly matrix: string;
  /** How long it is; null where its file does not say. */
  readonly seconds: number | null;
}

// Files without tags: high definition is taken to be BT.709, what is smaller BT.601, as players do.
const HD_LINES = 720;

/** Looks into a video's file. Throws where nothing in it can be shown. */
export async function pressVideo(path: string): Promise<PressVideo> {
  const found = await probe(path);
  const pictures = found?.streams?.find(({ codec_type }) => codec_type === 'video');
  if (pictures?.width === undefined || pictures.height === undefined)
    throw new Error(
      'A video that is shown cannot be read. Relink its clip, choose another, or leave it out.',
    );
  const { width, height, color_space: space = '' } = pictures;
  const seconds = Number(pictures.duration ?? found?.format?.duration ?? '');
  return {
    path,
    size: shownSize(width, height, pictures),
    matrix: matrixOf(space, height),
    seconds: Number.isFinite(seconds) && seconds > 0 ? seconds : null,
  };
}

/** What the file says of its colours, else what its size tells. */
function matrixOf(space: string, height: number): string {
  if (/^(bt709|bt470bg|smpte170m|bt2020nc)$/.test(space)) return space === 'bt2020nc' ? 'bt2020' : space;
  return height >= HD_LINES ? 'bt709' : 'smpte170m';
}

function shownSize(
  width: number,
  height: number,
  { sample_aspect_ratio: aspect = '', side_data_list: sides = [] }: Stream,
): PictureSize {
  const [over, under] = aspect.split(':').map(Number);
  const square = over > 0 && under > 0 ? Math.round((width * over) / under) : width;
  const turned = sides.some(({ rotation = 0 }) => Math.abs(rotation) % 180 === 90);
  return turned ? { widthPx: height, heightPx: square } : { widthPx: square, heightPx: height };
}
