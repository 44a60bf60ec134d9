import { join } from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import { fontFileNames } from '@/core/faces/faces';
import type { PreparedPicture } from './pictureTask';
import { RefusedFile } from '../opening/refusedFile';
import { LARGEST_SIDE_PX } from './pictureTask';
import { decodeXml, sanitiseSvg } from './sanitiseSvg';

// Drawn at least this large on its longer side, so that it stays sharp in a 2160p frame.
const SHARP_SIDE_PX = 2048;
const FALLBACK_FACE = 'Hanken Grotesk';

/** A cleaned SVG as a PNG, so that every painter shows the same pixels. Throws RefusedFile. */
export function drawSvg(bytes: Uint8Array, root: string): PreparedPicture {
  const { source, hasWords } = sanitiseSvg(decodeXml(bytes));
  const { width: ownWidth, height: ownHeight } = open(source, root, 1);
  const longest = Math.max(ownWidth, ownHeight);
  if (longest > LARGEST_SIDE_PX) {
    const got = `${Math.round(ownWidth)} × ${Math.round(ownHeight)}`;
    throw RefusedFile.of(`at most ${LARGEST_SIDE_PX} px a side`, got, 'Give it a smaller width and height.');
  }
  const drawn = open(source, root, Math.max(1, SHARP_SIDE_PX / longest)).render();
  if (!drawn.pixels.some((value) => value !== 0))
    throw RefusedFile.of('an SVG in which something is seen', 'an empty picture');
  return {
    mediaType: 'image/png',
    bytes: drawn.asPng(),
    widthPx: drawn.width,
    heightPx: drawn.height,
    ownWidth,
    ownHeight,
    notes: hasWords
      ? ['Its words are set in the faces that ship with Gilder. Turn them into outlines to keep another.']
      : [],
  };
}

function open(source: string, root: string, zoom: number): Resvg {
  const { first, late } = fontFileNames();
  try {
    return new Resvg(source, {
      fitTo: { mode: 'zoom', value: zoom },
      font: {
        loadSystemFonts: false,
        fontFiles: [...first, ...late].map((name) => join(root, 'public', 'fonts', name)),
        defaultFontFamily: FALLBACK_FACE,
      },
    });
  } catch (error) {
    const told = error instanceof Error ? error.message : String(error);
    throw RefusedFile.of('an SVG that can be drawn', told.slice(0, 80), 'Give it a width and a height.');
  }
}
