'use client';
import { memo, useMemo } from 'react';
import { PEAKS_PER_SECOND } from '@/contract/assets';
import type { Clip } from '@/core/model/project';
import { frameToSeconds } from '@/core/time/rates';
import { useDesk } from '../deskContext';
import { useSoundPeaks } from './useSoundPeaks';

interface Props {
  readonly clip: Clip;
  readonly widthPx: number;
}

const HIGH = 14;
// More lines than this nobody tells apart.
const MOST_LINES = 1200;

/** How loud a clip's sound is, along its foot; nothing for one without. */
export const Waveform = memo(function Waveform({ clip, widthPx }: Props) {
  const { rate } = useDesk();
  const peaks = useSoundPeaks(clip.picture);
  const path = useMemo(() => {
    if (peaks.length === 0) return '';
    const from = frameToSeconds(clip.sourceStartFrame, rate) * PEAKS_PER_SECOND;
    const count = frameToSeconds(clip.lengthFrames, rate) * PEAKS_PER_SECOND;
    const lines = Math.max(1, Math.min(MOST_LINES, Math.floor(widthPx / 2), Math.ceil(count)));
    return Array.from({ length: lines }, (_, i) => {
      const [start, end] = [i, i + 1].map((part) => Math.floor(from + (part * count) / lines));
      let peak = 0;
      for (let at = start; at < Math.max(end, start + 1); at++) peak = Math.max(peak, peaks[at] ?? 0);
      const half = Math.max(0.4, (peak / 255) * (HIGH / 2));
      const x = (((i + 0.5) * widthPx) / lines).toFixed(1);
      return `M${x} ${(HIGH / 2 - half).toFixed(1)}V${(HIGH / 2 + half).toFixed(1)}`;
    }).join('');
  }, [peaks, clip.sourceStartFrame, clip.lengthFrames, rate, widthPx]);
  if (path === '') return null;
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute inset-x-0 bottom-0.5"
      width={widthPx}
      height={HIGH}
      viewBox={`0 0 ${widthPx} ${HIGH}`}
      preserveAspectRatio="none"
    >
      <path d={path} stroke="#ffffff" strokeOpacity="0.75" strokeWidth="1" />
    </svg>
  );
});
