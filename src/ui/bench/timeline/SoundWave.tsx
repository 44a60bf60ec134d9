'use client';
import { memo, useMemo } from 'react';
import { PEAKS_PER_SECOND } from '@/contract/assets';
import type { Timing } from '@/core/model/template';
import { wavePath } from '@/core/sound/peaks';
import { fromDesignSeconds } from '@/core/titleTime/moments';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { useSoundPeaks } from '../../shared/sound/useSoundPeaks';
import { useTemplatePart } from '../state/benchStore';
import type { ScoreScale } from './scoreScale';
import { HEAD_PX, xToSeconds } from './scoreScale';
import { soundFileOf } from './soundFileOf';

interface Props {
  readonly timing: Timing;
  readonly titleTiming: TitleTiming;
  readonly scale: ScoreScale;
}

const HIGH = 20;
const PX_A_LINE = 2;
const MOST_LINES = 2000;

/** Under the marks: how loud the sound is that plays along, at the times that the ruler says; nothing without one. */
export const SoundWave = memo(function SoundWave({ timing, titleTiming, scale }: Props) {
  const sound = useTemplatePart((template) => template.sound);
  const peaks = useSoundPeaks(soundFileOf(sound));
  const widthPx = scale.inPx + scale.holdPx + scale.outPx;
  const path = useMemo(() => {
    if (peaks.length === 0) return '';
    const lines = Math.max(1, Math.min(MOST_LINES, Math.floor(widthPx / PX_A_LINE)));
    const secondsAt = (share: number): number =>
      fromDesignSeconds(xToSeconds(share * widthPx, timing, scale), timing, titleTiming);
    // What is quiet all through can be seen as well.
    const loudest = peaks.reduce((most, one) => Math.max(most, one), 1);
    return wavePath(peaks, PEAKS_PER_SECOND, secondsAt, { lines, widthPx, heightPx: HIGH, loudest });
  }, [peaks, widthPx, timing, titleTiming, scale]);
  if (sound === undefined || path === '') return null;
  return (
    <div className="relative flex border-b border-line">
      <span
        className="sticky left-0 z-10 shrink-0 truncate bg-card px-3.5 text-[11px] leading-5 text-soft"
        style={{ width: HEAD_PX }}
        title={sound.name}
      >
        {sound.name}
      </span>
      <svg
        role="img"
        aria-label={`Sound: ${sound.name}`}
        className="pointer-events-none block shrink-0 text-ink/70"
        width={widthPx}
        height={HIGH}
        viewBox={`0 0 ${widthPx} ${HIGH}`}
        preserveAspectRatio="none"
      >
        <path d={path} stroke="currentColor" strokeWidth="1.2" />
      </svg>
    </div>
  );
});
