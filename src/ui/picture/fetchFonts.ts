import { FACES } from '@/core/faces/faces';
import type { Face } from '@/core/faces/faces';

/** A font file as it was fetched. */
export interface FetchedFont {
  readonly face: Face;
  readonly weight: string;
  readonly name: string;
  readonly bytes: ArrayBuffer;
}

/** All shipped font files from this server. Throws when one cannot be loaded. */
export function fetchFonts(): Promise<FetchedFont[]> {
  return Promise.all(
    FACES.list.flatMap((face) =>
      Object.entries(face.files).map(async ([weight, name]): Promise<FetchedFont> => {
        const response = await fetch(`/fonts/${name}`);
        if (!response.ok) throw new Error(`The font file ${name} could not be loaded`);
        // The box that text is typed into takes any weight along a variable face's axis.
        const weights = face.axes === undefined ? weight : face.axes.weight.join(' ');
        return { face, weight: weights, name, bytes: await response.arrayBuffer() };
      }),
    ),
  );
}
