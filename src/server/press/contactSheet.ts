import { readFile } from 'node:fs/promises';
import { createCanvas, loadImage, PDFDocument } from '@napi-rs/canvas';
import type { Canvas, SKRSContext2D } from '@napi-rs/canvas';
import { PLAIN_CAPTION } from '@/core/captions/plainCaption';
import { customFormatId, FORMATS } from '@/core/frame/formats';
import type { DisplayItem } from '@/core/display/list';
import type { Matrix } from '@/core/kit/matrix';
import { multiply } from '@/core/kit/matrix';
import { PLAIN_LOOK } from '@/core/model/look';
import { FIRST_STYLE, newTextLayer, placeAt } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { Template } from '@/core/model/template';
import { layOutTitle } from '@/core/project/deliver';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { RATES } from '@/core/time/rates';
import { stretchTiming } from '@/core/titleTime/stretch';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '../raster';

/** A title on the sheet. */
export interface SheetEntry {
  /** Its number; empty where it has none. */
  readonly number: string;
  readonly words: string;
  /** Where it stands, and how long. */
  readonly times: string;
  /** Where a picture of it at rest lies; null where there is none. */
  readonly picture: string | null;
}

interface SheetOf {
  readonly heading: string;
  readonly entries: readonly SheetEntry[];
  /** Width by height, as it is seen. */
  readonly shape: number;
  readonly fonts: FontLibrary;
}

// A4, lying (ISO 216), in points.
const PAGE = { width: 842, height: 595 };
const MARGIN = 36;
const GAP = 14;
const LINE = 12;
const HEADING = 26;
const NUMBER = 24;
const MOST_LETTERS = 44;
const LABEL = 2 * LINE + 6;
const GROUND = '#5d6462';
// 216 to the inch.
const PIXELS_A_POINT = 3;
// Lines are laid out larger, so that letters do not fall on whole points.
const FINER = 6;

/** Titles at rest over grey, with their words and times, as a PDF. The words are outlines, so that every script is there. */
export async function contactSheetPdf({ heading, entries, shape, fonts }: SheetOf): Promise<Buffer> {
  const columns = shape >= 1.2 ? 4 : shape >= 0.8 ? 5 : 6;
  const width = Math.floor((PAGE.width - 2 * MARGIN - (columns - 1) * GAP) / columns);
  const height = Math.round(width / shape);
  const step = height + LABEL + GAP;
  const rows = Math.max(1, Math.floor((PAGE.height - 2 * MARGIN - HEADING + GAP) / step));
  const pages = Math.ceil(entries.length / (columns * rows));
  const pdf = new PDFDocument({ title: heading, creator: 'Gilder' });
  const write = writerOf(fonts);
  for (let page = 0; page < pages; page++) {
    const context = drawable(pdf.beginPage(PAGE.width, PAGE.height));
    const of = pages > 1 ? `${heading}   ${page + 1} of ${pages}` : heading;
    write(context, of, { x: MARGIN, y: MARGIN - 4, width: PAGE.width - 2 * MARGIN }, 'heading');
    const here = entries.slice(page * columns * rows, (page + 1) * columns * rows);
    for (const [i, { number, words, times, picture }] of here.entries()) {
      const x = MARGIN + (i % columns) * (width + GAP);
      const y = MARGIN + HEADING + Math.floor(i / columns) * step;
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.fillStyle = GROUND;
      context.fillRect(x, y, width, height);
      const image = picture === null ? null : await readSmall(picture, width, height);
      if (image !== null) context.drawImage(image, x, y, width, height);
      // By itself, so that it stands before words of any direction.
      const indent = number === '' ? 0 : NUMBER;
      const top = y + height + 4;
      if (number !== '') write(context, number, { x, y: top, width: NUMBER }, 'strong');
      write(context, shortened(words), { x: x + indent, y: top, width: width - indent }, 'strong');
      write(context, times, { x, y: top + LINE, width }, 'plain');
    }
    pdf.endPage();
  }
  return pdf.close();
}

function shortened(words: string): string {
  const letters = Array.from(words);
  return letters.length <= MOST_LETTERS
    ? words
    : `${letters
        .slice(0, MOST_LETTERS - 1)
        .join('')
        .trimEnd()}…`;
}

type Manner = 'heading' | 'strong' | 'plain';

interface LineAt {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/**
 * A picture no finer than print shows it: whole frames would make the sheet many times as large and slow. null for one
 * that is gone.
 */
async function readSmall(path: string, width: number, height: number): Promise<Canvas | null> {
  const image = await readFile(path).then(loadImage, () => null);
  if (image === null) return null;
  const small = createCanvas(width * PIXELS_A_POINT, height * PIXELS_A_POINT);
  const context = small.getContext('2d');
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, small.width, small.height);
  return small;
}

/** Writes a line of words with the type setter of the titles; what is too long is squeezed and made smaller. */
function writerOf(
  fonts: FontLibrary,
): (on: SKRSContext2D, words: string, at: LineAt, manner: Manner) => void {
  const painter = new Painter(serverSurfaces);
  const rate = RATES.get('25');
  return (on, words, { x, y, width }, manner) => {
    const height = manner === 'heading' ? 20 : LINE;
    const format = FORMATS.get(customFormatId(width * FINER, height * FINER));
    const template = lineTemplate(manner);
    const compiled = layOutTitle({ shift: null, edge: null }, template, { words }, format, fonts);
    const { items } = compiled.frame(0.5, stretchTiming(template.timing, rate.nominal, rate));
    const onPage: Matrix = [1 / FINER, 0, 0, 1 / FINER, x, y];
    painter.paint(on, {
      widthPx: PAGE.width,
      heightPx: PAGE.height,
      items: items.map((one) => placed(one, onPage)),
    });
  };
}

/** The context of a page as what it is: the library's description leaves out that pictures can be drawn on it. */
function drawable(context: object): SKRSContext2D {
  if (!isDrawable(context)) throw new Error('Pages of this canvas library take no pictures');
  return context;
}

const isDrawable = (context: object): context is SKRSContext2D => 'drawImage' in context;

/** Words that are laid out by themselves, on the page. */
function placed(item: DisplayItem, matrix: Matrix): DisplayItem {
  return item.kind === 'fill' ? { ...item, matrix: multiply(matrix, item.matrix) } : item;
}

/** One line, as high as its format, from its left edge. */
function lineTemplate(manner: Manner): Template {
  return {
    ...PLAIN_CAPTION,
    name: 'Line',
    overrides: [],
    layers: [
      {
        ...newTextLayer('words', 'Words'),
        style: {
          ...FIRST_STYLE,
          face: 'hanken-grotesk',
          weight: manner === 'plain' ? 400 : 600,
          sizeU: 780,
          fill: manner === 'plain' ? '#4a4d4b' : '#1d1e1d',
        },
        align: 'left',
        place: placeAt({ point: 'left', target: { kind: 'frame' }, targetPoint: 'left' }),
        look: PLAIN_LOOK,
        motion: motionOf(null, null),
        maxWidthShare: 1,
        whenLong: [
          { kind: 'squeeze', minPercent: 80 },
          { kind: 'shrink', minSizeU: 520 },
        ],
      },
    ],
  };
}
