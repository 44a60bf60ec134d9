import type { CueAlign, CuePlace } from '../../model/captions';
import { readColour } from './cueTags';

/** The style attributes that captions have, as an element or a style says them; undefined for not at all. */
export interface TtmlStyle {
  readonly italic?: boolean;
  /** A caption colour; null for one that is the template's. */
  readonly colour?: string | null;
  readonly align?: CueAlign;
  readonly displayAlign?: string;
  /** Down from the picture's top, as a share of its height. */
  readonly originY?: number;
  readonly extentY?: number;
}

/** Attributes of the styling namespace, by their local names. */
export type StyleAttributes = (name: string) => string | undefined;

interface Cells {
  readonly rows: number;
  readonly heightPx: number | null;
}

/** What a set of style attributes says. */
export function readStyle(attribute: StyleAttributes, cells: Cells): TtmlStyle {
  const [fontStyle, colour, align] = ['fontStyle', 'color', 'textAlign'].map(attribute);
  const [displayAlign, origin, extent] = ['displayAlign', 'origin', 'extent'].map(attribute);
  const named = colour === undefined ? null : readColour(colour);
  const [originY, extentY] = [shareDown(origin, cells), shareDown(extent, cells)];
  return {
    ...(fontStyle !== undefined && { italic: fontStyle === 'italic' || fontStyle === 'oblique' }),
    // White is what words are where nobody says: the template's.
    ...(colour !== undefined && { colour: named === 'white' ? null : named }),
    ...(align !== undefined && { align: ALIGNS[align] ?? 'centre' }),
    ...(displayAlign !== undefined && { displayAlign }),
    ...(originY !== null && { originY }),
    ...(extentY !== null && { extentY }),
  };
}

const ALIGNS: Readonly<Record<string, CueAlign>> = {
  left: 'left',
  start: 'left',
  right: 'right',
  end: 'right',
};

/** The second of two lengths as a share of the picture's height; null for what cannot be told. */
function shareDown(value: string | undefined, { rows, heightPx }: Cells): number | null {
  const [, figure, unit] = /^\S+\s+(-?\d+(?:\.\d+)?)(%|c|px|rh)$/.exec(value?.trim() ?? '') ?? [];
  if (figure === undefined) return null;
  if (unit === 'c') return Number(figure) / rows;
  if (unit === 'px') return heightPx === null ? null : Number(figure) / heightPx;
  return Number(figure) / 100;
}

/** Where words of a region stand, by the side of it that they are put to. */
export function placeOfRegion({ displayAlign = 'before', originY = 0, extentY = 1 }: TtmlStyle): CuePlace {
  const share = { before: 0, center: 0.5, after: 1 }[displayAlign] ?? 0;
  return originY + extentY * share < 0.5 ? 'top' : 'bottom';
}
