'use client';
import { useEffect, useState } from 'react';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';
import { fetchFonts } from './fetchFonts';

let loading: Promise<FontLibrary> | null = null;

async function loadAll(): Promise<FontLibrary> {
  const files = await fetchFonts();
  for (const { face, weight, bytes } of files) {
    // The same bytes for the box that text is typed into on the picture.
    document.fonts.add(new FontFace(titleFamily(face.id), bytes, { weight }));
  }
  return loadFontLibrary(new Map(files.map(({ name, bytes }) => [name, new Uint8Array(bytes)])));
}

/** The CSS family under which a title face is known in the page. */
export function titleFamily(faceId: string): string {
  return `title-${faceId}`;
}

/** The shipped fonts, loaded once for the page; a failure is tried again by the next who asks. */
export function loadFonts(): Promise<FontLibrary> {
  loading ??= loadAll();
  loading.catch(() => (loading = null));
  return loading;
}

/** The shipped fonts once they are loaded, null until then; a failure is thrown to the error boundary. */
export function useFonts(): FontLibrary | null {
  const [fonts, setFonts] = useState<FontLibrary | null>(null);
  const [failure, setFailure] = useState<Error | null>(null);
  useEffect(() => {
    loadFonts().then(setFonts, (error: unknown) => {
      setFailure(error instanceof Error ? error : new Error(String(error)));
    });
  }, []);
  if (failure !== null) throw failure;
  return fonts;
}
