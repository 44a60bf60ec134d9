import type { PlacedLayer } from '../layout/resolveLayout';
import { assertNever } from '../kit/assertNever';
import { facesOf } from '../model/facesOf';
import { DEFAULT_FACE_ID, FACES } from '../faces/faces';
import { UNDETERMINED } from '../faces/language';
import type { FitFact } from '../text/fitFacts';
import { sayFitFact } from '../text/fitFacts';

/** Something a designer or editor should know about a layer. */
export type LayerNote = {
  readonly layerId: string;
  readonly layerName: string;
} & (
  | { readonly kind: 'overflow' }
  | { readonly kind: 'missing'; readonly characters: readonly string[] }
  /** Faces, by label, that set what the chosen one has no characters for. */
  | { readonly kind: 'standIn'; readonly faces: readonly string[] }
  | { readonly kind: 'unknownFace'; readonly face: string }
  /** It should be hyphenated, and its language (BCP 47) has no rules here. */
  | { readonly kind: 'unparted'; readonly language: string }
  | { readonly kind: 'fitted'; readonly facts: readonly FitFact[] }
);

// More would not be read in one line.
const SHOWN_CHARACTERS = 8;

/** What there is to say of how a layer was laid out. */
export function layerNotes({ layer, measured }: PlacedLayer): LayerNote[] {
  const about = { layerId: layer.id, layerName: layer.name };
  const notes: LayerNote[] = [];
  if (measured.overflows) notes.push({ ...about, kind: 'overflow' });
  if (measured.missing.length > 0) notes.push({ ...about, kind: 'missing', characters: measured.missing });
  if (measured.standIns.length > 0) notes.push({ ...about, kind: 'standIn', faces: measured.standIns });
  for (const face of facesOf(layer))
    if (FACES.find(face) === undefined) notes.push({ ...about, kind: 'unknownFace', face });
  if (measured.unparted !== undefined)
    notes.push({ ...about, kind: 'unparted', language: measured.unparted });
  if (measured.fitted.length > 0) notes.push({ ...about, kind: 'fitted', facts: measured.fitted });
  return notes;
}

/** A note in words, without a full stop. */
export function sayNote(note: LayerNote): string {
  const name = `"${note.layerName}"`;
  switch (note.kind) {
    case 'overflow':
      return `${name} is still too wide: shorten it or allow more steps`;
    case 'missing':
      return `${name} has characters that no font here has: ${note.characters.slice(0, SHOWN_CHARACTERS).join(' ')}`;
    case 'standIn':
      return `${name} has characters from ${note.faces.join(' and ')}, since its own font lacks them`;
    case 'unknownFace':
      return `${name} asks for the font "${note.face}", which is not here; ${FACES.get(DEFAULT_FACE_ID).label} stands in until it is imported under House, Fonts`;
    case 'unparted':
      return note.language === UNDETERMINED
        ? `${name} is not hyphenated: nothing says its language; choose one in the field, the delivery or the House`
        : `${name} is not hyphenated: there are no rules for its language (${note.language}) here`;
    case 'fitted':
      return `${name} is ${note.facts.map(sayFitFact).join(', ')}`;
    default:
      return assertNever(note, 'note');
  }
}
