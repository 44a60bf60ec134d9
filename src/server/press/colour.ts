import type { FrameFormat } from '@/core/frame/formats';
import type { ColourCode } from './mov/movFile';

/** The colour that a format's video is in: its code points (ITU-T H.273), and as ffmpeg calls them. */
export interface VideoColour {
  readonly code: ColourCode;
  readonly primaries: string;
  readonly transfer: string;
  readonly matrix: string;
}

const HD: VideoColour = { code: [1, 1, 1], primaries: 'bt709', transfer: 'bt709', matrix: 'bt709' };
const SD_625: VideoColour = { code: [5, 1, 6], primaries: 'bt470bg', transfer: 'bt709', matrix: 'smpte170m' };
const SD_525: VideoColour = {
  code: [6, 1, 6],
  primaries: 'smpte170m',
  transfer: 'bt709',
  matrix: 'smpte170m',
};

const LINES_525 = 480;

/** BT.709 for high definition and formats of one's own, BT.601 for standard definition of 625 or 525 lines. */
export function videoColour({ widthPx, heightPx, activeWidthPx }: FrameFormat): VideoColour {
  if (activeWidthPx === widthPx) return HD;
  return heightPx === LINES_525 ? SD_525 : SD_625;
}

/** Whether the upper of a frame's two fields is seen first: the lower one is in 525 lines only (SMPTE ST 170). */
export function isTopFirst({ heightPx, activeWidthPx, widthPx }: FrameFormat): boolean {
  return activeWidthPx === widthPx || heightPx !== LINES_525;
}

/** Turns RGB into limited-range video of a format's colour, and says so; ffmpeg would take BT.601 for all otherwise. */
export function toVideo(format: FrameFormat): string[] {
  const { primaries, transfer, matrix } = videoColour(format);
  const { across, down } = format.pixelAspect;
  // Lines that share colour are those of one field.
  const fields = format.interlaced === true ? ':interl=1' : '';
  const scale = `scale=in_range=full:out_range=tv:out_color_matrix=${matrix}:flags=accurate_rnd+full_chroma_int${fields}`;
  const filters = [scale, `setsar=${across}/${down}`];
  if (format.interlaced === true) filters.push(`setfield=${isTopFirst(format) ? 'tff' : 'bff'}`);
  return [
    '-vf',
    filters.join(','),
    '-colorspace',
    matrix,
    '-color_primaries',
    primaries,
    '-color_trc',
    transfer,
    '-color_range',
    'tv',
  ];
}
