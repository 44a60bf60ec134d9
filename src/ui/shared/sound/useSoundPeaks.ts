'use client';
import { useEffect, useState } from 'react';
import { SPEECH, standInSpeech } from './speech';

const known = new Map<string, Promise<Uint8Array>>();
const NONE: Uint8Array = new Uint8Array();

/**
 * How loud a kept video or sound, or the talking stand-in (`speech`), is over its time, fetched once; null for none. Empty
 * for one without sound, and until it is here.
 */
export function useSoundPeaks(of: string | null): Uint8Array {
  const [found, setFound] = useState({ of, peaks: NONE });
  useEffect(() => {
    if (of === null) return;
    let left = false;
    void peaksOf(of).then((peaks) => !left && setFound({ of, peaks }));
    return () => {
      left = true;
    };
  }, [of]);
  return found.of === of ? found.peaks : NONE;
}

function peaksOf(of: string): Promise<Uint8Array> {
  const before = known.get(of);
  if (before !== undefined) return before;
  const asked = of === SPEECH ? standInSpeech().then(({ peaks }) => peaks) : fetchedPeaks(of);
  known.set(of, asked);
  return asked;
}

function fetchedPeaks(id: string): Promise<Uint8Array> {
  return fetch(`/api/media/${encodeURIComponent(id)}/sound`)
    .then((response) => (response.ok ? response.arrayBuffer() : new ArrayBuffer(0)))
    .then((bytes) => new Uint8Array(bytes))
    .catch(() => NONE);
}
