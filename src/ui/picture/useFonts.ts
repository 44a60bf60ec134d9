'use client';
import { useEffect, useState } from 'react';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFonts, onFonts } from './fontStore';

/** The fonts once they are loaded, null until then; a failure is thrown to the error boundary. */
export function useFonts(): FontLibrary | null {
  const [fonts, setFonts] = useState<FontLibrary | null>(null);
  const [failure, setFailure] = useState<Error | null>(null);
  useEffect(() => {
    loadFonts().then(setFonts, (error: unknown) => {
      setFailure(error instanceof Error ? error : new Error(String(error)));
    });
    return onFonts(setFonts);
  }, []);
  if (failure !== null) throw failure;
  return fonts;
}
