import { FACES } from '@/core/faces/faces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';

/** In a page: all shipped fonts, fetched and loaded. */
export async function pageFonts(): Promise<FontLibrary> {
  const names = FACES.list.flatMap((face) => Object.values(face.files));
  const load = async (name: string): Promise<[string, Uint8Array]> => {
    const response = await fetch(`/fonts/${name}`);
    return [name, new Uint8Array(await response.arrayBuffer())];
  };
  return loadFontLibrary(new Map(await Promise.all(names.map(load))));
}
