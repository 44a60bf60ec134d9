import { CAPTION_FORMATS } from '.';
import type { CaptionFile, CaptionFormat, ReadOptions } from './captionFile';
import { csvFormat } from './csvCues';
import { srtFormat } from './srt';
import { stlFormat } from './stl';
import { imscFormat } from './ttml';
import { vttFormat } from './vtt';

const BY_EXTENSION: ReadonlyMap<string, CaptionFormat> = new Map([
  ...CAPTION_FORMATS.list.map((format) => [format.extension, format] as const),
  ['dfxp', imscFormat],
  ['tsv', csvFormat],
]);

/** What a caption file is, by its first bytes, else by its name, else SubRip, whose reader takes the most. */
export function captionFormatOf(name: string, bytes: Uint8Array): CaptionFormat {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 400)).replace(/\u0000/g, '');
  if (/^...STL\d\d\./s.test(head)) return stlFormat;
  if (/^[^A-Za-z<]{0,4}WEBVTT/.test(head)) return vttFormat;
  if (/^[^<]{0,8}<\?xml|<tt[\s:>]/.test(head)) return imscFormat;
  const extension = /\.(\w+)$/.exec(name)?.[1]?.toLowerCase() ?? '';
  return BY_EXTENSION.get(extension) ?? srtFormat;
}

/** The cues of a caption file of any kind, and what kind it was. Throws InputError where nothing can be read. */
export function readCaptions(
  name: string,
  bytes: Uint8Array,
  options: ReadOptions,
): CaptionFile & { readonly format: CaptionFormat } {
  const format = captionFormatOf(name, bytes);
  const file = format.read(bytes, options);
  return { ...file, cues: file.cues.toSorted((a, b) => a.startSeconds - b.startSeconds), format };
}
