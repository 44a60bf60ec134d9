import { picturesOf } from '@/core/document/pictures';
import { FORMATS } from '@/core/layout/formats';
import { previewFormat } from '@/core/layout/previewFormat';
import { layoutTrouble } from '@/core/proof/layoutTrouble';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import { Painter } from '@/paint/painter';
import { browserSurfaces } from '@/ui/picture/browserSurfaces';
import { fetchFonts } from '@/ui/picture/fetchFonts';
import { backdropOf, loadBackdrop, paintBackdrop } from '@/ui/picture/paintBackdrop';
import { loadedSizes, loadPicture } from '@/ui/picture/pictureStore';
import type { WallReply, WallRequest } from './wallMessages';

/*
 * Lays out and paints the pictures of the format wall, away from the thread that typing and dragging run on.
 * Every request is answered, in the order in which they come.
 */
const painter = new Painter(browserSurfaces);
const laidOut = new Map<string, { readonly layout: string; readonly title: CompiledTitle }>();
let fonts: Promise<FontLibrary> | null = null;

addEventListener('message', ({ data }: MessageEvent<WallRequest>) => {
  answer(data).then(
    (reply) => postMessage(reply, { transfer: reply.bitmap === null ? [] : [reply.bitmap] }),
    () => postMessage({ key: data.key, bitmap: null, trouble: ['cannot be laid out'] } satisfies WallReply),
  );
});

async function answer(request: WallRequest): Promise<WallReply> {
  fonts ??= fetchFonts().then((files) =>
    loadFontLibrary(new Map(files.map(({ name, bytes }) => [name, new Uint8Array(bytes)]))),
  );
  const { key, template, values, seconds, timing } = request;
  await Promise.allSettled([
    loadBackdrop(template.backdrop),
    ...picturesOf(template, values).map(loadPicture),
  ]);
  const title = layOut(request, await fonts);
  const { widthPx, heightPx } = title.format;
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('This browser has no 2D canvas in workers');
  paintBackdrop(painter, context, backdropOf(template.backdrop), 1, title.format);
  painter.paint(context, title.frame(seconds, timing));
  return { key, bitmap: canvas.transferToImageBitmap(), trouble: layoutTrouble(template, title) };
}

function layOut(
  { key, layout, template, values, formatId, widthPx }: WallRequest,
  library: FontLibrary,
): CompiledTitle {
  const known = laidOut.get(key);
  if (known?.layout === layout) return known.title;
  const format = previewFormat(FORMATS.get(formatId), widthPx);
  const title = compile(template, values, format, library, loadedSizes());
  laidOut.set(key, { layout, title });
  return title;
}
