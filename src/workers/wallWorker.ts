import { lateFacesFor } from '@/core/faces/fallback';
import { everyFace } from '@/core/resolve/faces';
import { layerWords } from '@/core/model/template';
import { picturesOf } from '@/core/resolve/pictures';
import { programmeAt } from '@/core/display/programme';
import { FORMATS } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { layoutTrouble } from '@/core/proof/layoutTrouble';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import { Painter } from '@/paint/painter';
import { surfacesOver } from '@/ui/picture/browserSurfaces';
import { loadFontsFor } from '@/ui/picture/fontStore';
import type { Backdrop } from '@/ui/picture/paintBackdrop';
import { backdropOf, KeptBackdrop, loadBackdrop } from '@/ui/picture/paintBackdrop';
import { loadedSizes, loadPicture } from '@/ui/picture/pictureStore';
import type { WallDesign, WallReply, WallRequest } from './wallMessages';

/*
 * Lays out and paints the pictures of the format wall, away from the thread that typing and dragging run on.
 * Every request is answered, in the order in which they come.
 */
let shown: KeptBackdrop | null = null;
let painted = 0;
const painter = new Painter(surfacesOver(() => shown?.painted ?? null));
let design: Design | null = null;
let backdrop: { readonly id: string; readonly value: Backdrop } | null = null;

/** A design with all its layers. */
interface Design extends Pick<WallDesign, 'number' | 'template' | 'values'> {
  /** The faces of it, and those that stand in for letters of its words. */
  readonly faces: readonly string[];
}

/** What is kept of one picture of the wall. */
interface CompiledWall {
  readonly format: FrameFormat;
  readonly below: KeptBackdrop;
  readonly layout: {
    readonly design: number;
    readonly language: string | undefined;
    readonly library: FontLibrary;
    readonly title: CompiledTitle;
  } | null;
}
const kept = new Map<string, CompiledWall>();

addEventListener('message', ({ data }: MessageEvent<WallDesign | WallRequest>) => {
  if (data.kind === 'design') {
    design = takeDesign(data);
    return;
  }
  answer(data).then(
    (reply) => postMessage(reply, { transfer: reply.bitmap === null ? [] : [reply.bitmap] }),
    () => {
      const { formatId } = data;
      postMessage({ formatId, bitmap: null, trouble: ['cannot be laid out'] } satisfies WallReply);
    },
  );
});

function takeDesign({ number, template: bare, order, changed, values }: WallDesign): Design {
  const known = new Map([...(design?.template.layers ?? []), ...changed].map((layer) => [layer.id, layer]));
  const template = { ...bare, layers: order.flatMap((id) => known.get(id) ?? []) };
  const words = [...template.layers.map(layerWords), ...Object.values(values)].join('\n');
  return { number, template, values, faces: [...everyFace(template), ...lateFacesFor(words)] };
}

async function answer(request: WallRequest): Promise<WallReply> {
  const asked = design;
  if (asked === null) throw new Error('A picture was asked for before there was a design');
  const { template, values } = asked;
  await Promise.allSettled([
    loadBackdrop(template.backdrop),
    ...picturesOf(template, { format: FORMATS.get(request.formatId), values }).map(loadPicture),
  ]);
  const { below, title } = layOut(request, asked, await loadFontsFor(asked.faces));
  const { widthPx, heightPx } = title.format;
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('This browser has no 2D canvas in workers');
  shown = below;
  below.paint(context, backdropNow(template.backdrop), 1, title.format);
  painter.paint(context, programmeAt(title.frame(request.seconds, request.timing), painted++));
  const trouble = layoutTrouble(template, title);
  return { formatId: request.formatId, bitmap: canvas.transferToImageBitmap(), trouble };
}

/** The backdrop as the same object while it is the same, so that a kept one serves again. */
function backdropNow(id: string): Backdrop {
  if (backdrop?.id !== id) backdrop = { id, value: backdropOf(id) };
  return backdrop.value;
}

function layOut(
  { formatId, widthPx, language }: WallRequest,
  { number, template, values }: Design,
  library: FontLibrary,
): { readonly below: KeptBackdrop; readonly title: CompiledTitle } {
  const before = kept.get(formatId);
  const { layout } = before ?? {};
  if (
    before !== undefined &&
    layout?.design === number &&
    layout.language === language &&
    layout.library === library
  )
    return { below: before.below, title: layout.title };
  const format = before?.format ?? previewFormat(FORMATS.get(formatId), widthPx);
  const below = before?.below ?? new KeptBackdrop(painter);
  const title = compile(template, values, format, library, loadedSizes(), null, language);
  kept.set(formatId, { format, below, layout: { design: number, language, library, title } });
  return { below, title };
}
