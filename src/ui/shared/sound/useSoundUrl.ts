'use client';
import { useEffect, useState } from 'react';
import { SPEECH, standInSpeech } from './speech';

/**
 * Where a kept video or sound, or the talking stand-in (`speech`), is played from; null for none, and until the stand-in
 * is made.
 */
export function useSoundUrl(of: string | null): string | null {
  const [speech, setSpeech] = useState<string | null>(null);
  useEffect(() => {
    if (of === SPEECH) void standInSpeech().then(({ url }) => setSpeech(url));
  }, [of]);
  if (of === null) return null;
  return of === SPEECH ? speech : `/api/media/${encodeURIComponent(of)}`;
}
