'use client';
import { useEffect, useState } from 'react';
import { FACES } from '@/core/text/faces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';

let loading: Promise<FontLibrary> | null = null;

async function loadAll(): Promise<FontLibrary> {
  const entries = FACES.list.flatMap((face) =>
    Object.entries(face.files).map(async ([weight, name]): Promise<[string, Uint8Array]> => {
      const response = await fetch(`/fonts/${name}`);
      if (!response.ok) throw new Error(`The font file ${name} could not be loaded`);
      const buffer = await response.arrayBuffer();
      // The same bytes for the box that text is typed into on the picture.
      document.fonts.add(new FontFace(titleFamily(face.id), buffer, { weight }));
      return [name, new Uint8Array(buffer)];
    }),
  );
  return loadFontLibrary(new Map(await Promise.all(entries)));
}

/** The CSS family under which a title face is known in the page. */
export function titleFamily(faceId: string): string {
  return `title-${faceId}`;
}

/** The shipped fonts once they are loaded, null until then; a failure is thrown to the error boundary. */
export function useFonts(): FontLibrary | null {
  const [fonts, setFonts] = useState<FontLibrary | null>(null);
  const [failure, setFailure] = useState<Error | null>(null);
  useEffect(() => {
    loading ??= loadAll();
    loading.then(setFonts, (error: unknown) => {
      loading = null;
      setFailure(error instanceof Error ? error : new Error(String(error)));
    });
  }, []);
  if (failure !== null) throw failure;
  return fonts;
}
