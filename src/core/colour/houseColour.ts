import type { HexColour } from '../display/list';

/** What a document has as a colour: its figure, `#10303c`, or that with the colour of the House that it is, `#10303c@deep-water`. */
export const COLOUR_VALUE = /^#[0-9a-f]{6}(@[\w-]{1,64})?$/;

const REFERENCE = /^(#[0-9a-f]{6})@([\w-]{1,64})$/;

/** The figure of a colour, without what it refers to; anything that is no reference is returned as it is. */
export function figureOf(colour: string): HexColour {
  return REFERENCE.exec(colour)?.[1] ?? colour;
}

/** The id of the colour of the House that a colour is; null for one that is only a figure. */
export function referredColour(colour: string): string | null {
  return REFERENCE.exec(colour)?.[2] ?? null;
}

/** A figure as the colour of the House with an id. */
export function asReference(figure: HexColour, id: string): string {
  return `${figure}@${id}`;
}
