import { createHash } from 'node:crypto';
import type { AssetFacts } from '@/contract/assets';
import type { DisplayItem } from '@/core/display/list';
import { FORMATS } from '@/core/frame/formats';
import { IDENTITY } from '@/core/kit/matrix';
import { SCENES } from '@/core/scenes';
import { SceneSheet, sceneItems } from '@/core/scenes/scene';
import { Painter } from '@/paint/painter';
import { encodePng } from '@/server/press/pictures/png';
import { createRasterFrame, serverSurfaces } from '@/server/raster';

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

type Draw = (sheet: SceneSheet) => void;

function mark(id: string, name: string, widthPx: number, draw: Draw): DemoPicture {
  const sheet = new SceneSheet(IDENTITY);
  draw(sheet);
  return { id: `demo-${id}`, name, widthPx, heightPx: 400, items: sheet.items };
}

/** The marks of those who are thanked, on nothing, and two pictures of the day. */
export const DEMO_PICTURES: readonly DemoPicture[] = [
  mark('ferry-wardens', 'Ferry Wardens, mark.png', 400, (sheet) => {
    sheet.bar(0, 0, 400, 400, 200, CREAM);
    sheet.bar(24, 24, 352, 352, 176, '#1c4a5c');
    sheet.polygon([96, 226, 304, 226, 268, 286, 132, 286], CREAM);
    sheet.polygon([196, 96, 196, 212, 116, 212], GOLD);
    sheet.polygon([208, 76, 208, 212, 292, 212], CREAM);
  }),
  mark('kiln-and-clay', 'Kiln and Clay, mark.png', 720, (sheet) => {
    sheet.bar(0, 100, 200, 260, 96, '#b8643c');
    sheet.bar(56, 200, 88, 160, 44, '#2a1a14');
    sheet.bar(250, 130, 470, 44, 22, CREAM);
    sheet.bar(250, 208, 380, 44, 22, CREAM);
    sheet.bar(250, 286, 430, 44, 22, '#b8643c');
  }),
  mark('withy-beds', 'Withy Beds Trust, mark.png', 340, (sheet) => {
    sheet.polygon([40, 400, 64, 60, 84, 400], '#7d9a5a');
    sheet.polygon([150, 400, 172, 0, 194, 400], '#a8c07c');
    sheet.polygon([256, 400, 276, 60, 300, 400], '#7d9a5a');
    sheet.bar(48, 20, 32, 110, 16, '#8a5a34');
    sheet.bar(156, 0, 32, 120, 16, '#8a5a34');
    sheet.bar(260, 30, 32, 110, 16, '#8a5a34');
  }),
  mark('lantern-gate', 'Lantern Gate School, mark.png', 300, (sheet) => {
    sheet.bar(90, 0, 120, 34, 17, CREAM);
    sheet.polygon([60, 60, 240, 60, 270, 110, 30, 110], CREAM);
    sheet.bar(50, 124, 200, 210, 18, GOLD);
    sheet.bar(94, 124, 14, 210, 0, '#7a5a1c');
    sheet.bar(192, 124, 14, 210, 0, '#7a5a1c');
    sheet.bar(30, 348, 240, 40, 12, CREAM);
  }),
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
