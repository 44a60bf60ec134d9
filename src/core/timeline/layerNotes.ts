import type { PlacedLayer } from '../layout/resolveLayout';
import { FACES } from '../faces/faces';

/** Something a designer or editor should know about a layer, in words. */
export interface LayerNote {
  readonly layerId: string;
  readonly kind: 'fitted' | 'overflow' | 'missing' | 'standIn' | 'unknownFace';
  readonly message: string;
}

/** What there is to say of how a layer was laid out. */
export function layerNotes({ layer, measured }: PlacedLayer): LayerNote[] {
  const notes: LayerNote[] = [];
  const add = (kind: LayerNote['kind'], message: string): void =>
    void notes.push({ layerId: layer.id, kind, message });
  if (measured.overflows)
    add('overflow', `"${layer.name}" is still too wide: shorten it or allow more steps`);
  if (measured.missing.length > 0) {
    const characters = measured.missing.slice(0, 8).join(' ');
    add('missing', `"${layer.name}" has characters that no shipped face has: ${characters}`);
  }
  if (measured.standIns.length > 0) {
    add(
      'standIn',
      `"${layer.name}" is set partly in ${measured.standIns.join(' and ')}, since its own face lacks those characters`,
    );
  }
  if (layer.kind === 'text' && FACES.find(layer.style.face) === undefined) {
    add(
      'unknownFace',
      `"${layer.name}" asks for the face "${layer.style.face}", which is not here; ${FACES.list[0].label} stands in`,
    );
  }
  if (measured.fitted.length > 0) add('fitted', `"${layer.name}" is ${measured.fitted.join(', ')}`);
  return notes;
}
