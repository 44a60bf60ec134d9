'use client';
import { useEffect, useState } from 'react';

const known = new Map<string, Promise<Uint8Array>>();
const NONE: Uint8Array = new Uint8Array();

/** How loud a video is over its time, fetched once; empty for one without sound, and until it is here. */
export function useSoundPeaks(picture: string): Uint8Array {
  const [peaks, setPeaks] = useState(NONE);
  useEffect(() => {
    if (!picture.startsWith('video:')) return;
    let left = false;
    void peaksOf(picture.slice('video:'.length)).then((found) => !left && setPeaks(found));
    return () => {
      left = true;
    };
  }, [picture]);
  return peaks;
}

function peaksOf(id: string): Promise<Uint8Array> {
  const before = known.get(id);
  if (before !== undefined) return before;
  const asked = fetch(`/api/media/${encodeURIComponent(id)}/sound`)
    .then((response) => (response.ok ? response.arrayBuffer() : new ArrayBuffer(0)))
    .then((bytes) => new Uint8Array(bytes))
    .catch(() => NONE);
  known.set(id, asked);
  return asked;
}
