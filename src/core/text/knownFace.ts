import { DEFAULT_FACE_ID, FACES } from '../faces/faces';
import type { TextStyle } from '../model/template';

/** A face that this installation does not have is set in the default one; the compiler reports it. */
export function knownFace<T extends Partial<TextStyle>>(style: T): T {
  return style.face === undefined || FACES.find(style.face) !== undefined
    ? style
    : { ...style, face: DEFAULT_FACE_ID };
}
