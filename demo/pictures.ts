import { createHash } from 'node:crypto';
import type { AssetFacts } from '@/contract/assets';
import type { DisplayItem, HexColour } from '@/core/display/list';
import { polygonOutline } from '@/core/display/outline';
import { roundedRectOutline } from '@/core/display/shapes';
import { FORMATS } from '@/core/frame/formats';
import { IDENTITY } from '@/core/kit/matrix';
import { SCENES } from '@/core/scenes';
import { plain, sceneItems } from '@/core/scenes/scene';
import { Painter } from '@/paint/painter';
import { encodePng } from '@/server/press/png';
import { createRasterFrame, serverSurfaces } from '@/server/raster';

const fill = (outline: ReturnType<typeof polygonOutline>, colour: HexColour): DisplayItem => ({
  kind: 'fill',
  outline,
  paint: plain(colour),
  matrix: IDENTITY,
  opacity: 1,
});
const bar = (
  x: number,
  y: number,
  width: number,
  height: number,
  radius: number,
  colour: HexColour,
): DisplayItem => fill(roundedRectOutline({ x, y, width, height }, radius), colour);
const shape = (colour: HexColour, ...points: readonly number[]): DisplayItem =>
  fill(polygonOutline(points), colour);

const CREAM = '#f3e6ca';
const GOLD = '#e3b94f';

interface DemoPicture {
  readonly id: string;
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly items: readonly DisplayItem[];
}

const still = (id: string, name: string, scene: string, seconds: number): DemoPicture => {
  const format = FORMATS.get('custom-640x400');
  const items = sceneItems(SCENES.get(scene), seconds, format);
  return { id: `demo-${id}`, name, widthPx: 640, heightPx: 400, items };
};

const mark = (id: string, name: string, width: number, items: readonly DisplayItem[]): DemoPicture => ({
  id: `demo-${id}`,
  name,
  widthPx: width,
  heightPx: 400,
  items,
});

/** The marks of those who are thanked, on nothing, and two pictures of the day. */
export const DEMO_PICTURES: readonly DemoPicture[] = [
  mark('ferry-wardens', 'Ferry Wardens, mark.png', 400, [
    bar(0, 0, 400, 400, 200, CREAM),
    bar(24, 24, 352, 352, 176, '#1c4a5c'),
    shape(CREAM, 96, 226, 304, 226, 268, 286, 132, 286),
    shape(GOLD, 196, 96, 196, 212, 116, 212),
    shape(CREAM, 208, 76, 208, 212, 292, 212),
  ]),
  mark('kiln-and-clay', 'Kiln and Clay, mark.png', 720, [
    bar(0, 100, 200, 260, 96, '#b8643c'),
    bar(56, 200, 88, 160, 44, '#2a1a14'),
    bar(250, 130, 470, 44, 22, CREAM),
    bar(250, 208, 380, 44, 22, CREAM),
    bar(250, 286, 430, 44, 22, '#b8643c'),
  ]),
  mark('withy-beds', 'Withy Beds Trust, mark.png', 340, [
    shape('#7d9a5a', 40, 400, 64, 60, 84, 400),
    shape('#a8c07c', 150, 400, 172, 0, 194, 400),
    shape('#7d9a5a', 256, 400, 276, 60, 300, 400),
    bar(48, 20, 32, 110, 16, '#8a5a34'),
    bar(156, 0, 32, 120, 16, '#8a5a34'),
    bar(260, 30, 32, 110, 16, '#8a5a34'),
  ]),
  mark('lantern-gate', 'Lantern Gate School, mark.png', 300, [
    bar(90, 0, 120, 34, 17, CREAM),
    shape(CREAM, 60, 60, 240, 60, 270, 110, 30, 110),
    bar(50, 124, 200, 210, 18, GOLD),
    bar(94, 124, 14, 210, 0, '#7a5a1c'),
    bar(192, 124, 14, 210, 0, '#7a5a1c'),
    bar(30, 348, 240, 40, 12, CREAM),
  ]),
  still('quay', 'Boats at the quay.png', 'harbour-dusk', 4),
  still('weir', 'The weir in the morning.png', 'weir', 6),
];

/** A picture of the demo as it is kept: what is known of it, and its file. */
export function paintPicture({ id, name, widthPx, heightPx, items }: DemoPicture): {
  readonly facts: AssetFacts & { readonly byteCount: number };
  readonly bytes: Buffer;
} {
  const frame = createRasterFrame(widthPx, heightPx);
  new Painter(serverSurfaces).paint(frame.context, { widthPx, heightPx, items });
  const bytes = encodePng(frame.readPixels(), widthPx, heightPx);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const own = { ownWidth: widthPx, ownHeight: heightPx };
  return {
    facts: { id, name, mediaType: 'image/png', hash, widthPx, heightPx, ...own, byteCount: bytes.length },
    bytes,
  };
}
