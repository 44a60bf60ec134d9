import type { TextStyle } from '../model/template';
import { DEFAULT_FACE_ID, FACES } from '../faces/faces';
import type { FontLibrary } from './fontLibrary';

/** The height of the capitals of a style in design units, from the face's own table; a face that is not here counts as the default one. */
export function capHeightU({ face, weight, width, axes, sizeU }: TextStyle, fonts: FontLibrary): number {
  const known = FACES.find(face) === undefined ? DEFAULT_FACE_ID : face;
  const { metrics, unitsPerEm } = fonts.font(known, weight, width, axes);
  return (metrics.capHeight / unitsPerEm) * sizeU;
}
