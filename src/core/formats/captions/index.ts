import { createRegistry } from '../../kit/registry';
import type { CaptionFormat } from './captionFile';
import { csvFormat } from './csvCues';
import { srtFormat } from './srt';
import { stlFormat } from './stl';
import { ebuTtDFormat, imscFormat } from './ttml';
import { vttFormat } from './vtt';

/** Every caption format, the usual choice first. */
export const CAPTION_FORMATS = createRegistry<CaptionFormat>('caption format', [
  srtFormat,
  vttFormat,
  imscFormat,
  ebuTtDFormat,
  stlFormat,
  csvFormat,
]);
