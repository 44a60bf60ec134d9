'use client';
import { memo, useMemo } from 'react';
import { PEAKS_PER_SECOND } from '@/contract/assets';
import type { Clip } from '@/core/model/project';
import { wavePath } from '@/core/sound/peaks';
import { frameToSeconds } from '@/core/time/rates';
import { SPEECH } from '../../shared/sound/speech';
import { soundOfClip } from '../clipSound';
import { useDesk, useDeskUi } from '../deskContext';
import { useSoundPeaks } from '../../shared/sound/useSoundPeaks';

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
  const { picture } = clip;
  const sound = soundOfClip(
    picture,
    useDeskUi((ui) => ui.sheet === 'captions'),
  );
  const peaks = useSoundPeaks(sound);
  const path = useMemo(() => {
    if (peaks.length === 0) return '';
    const from = frameToSeconds(clip.sourceStartFrame, rate);
    const seconds = frameToSeconds(clip.lengthFrames, rate);
    const most = Math.min(MOST_LINES, Math.floor(widthPx / 2), Math.ceil(seconds * PEAKS_PER_SECOND));
    const size = { lines: Math.max(1, most), widthPx, heightPx: HIGH };
    const heard = sound === SPEECH ? repeated(peaks, from + seconds) : peaks;
    const loudest = sound === SPEECH ? peaks.reduce((most, one) => Math.max(most, one), 1) : undefined;
    return wavePath(heard, PEAKS_PER_SECOND, (share) => from + share * seconds, { ...size, loudest });
  }, [peaks, sound, clip.sourceStartFrame, clip.lengthFrames, rate, widthPx]);
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

/** Peaks as often as they go into a time. */
function repeated(peaks: Uint8Array, seconds: number): Uint8Array {
  return Uint8Array.from(
    { length: Math.ceil(seconds * PEAKS_PER_SECOND) },
    (_, i) => peaks[i % peaks.length],
  );
}
