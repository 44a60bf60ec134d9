'use client';
import { memo, useMemo } from 'react';
import type { Timing } from '@/core/model/template';
import type { FrameRate } from '@/core/time/rates';
import type { ScoreScale } from './scoreScale';
import { rulerTicks } from './scoreScale';

interface Props {
  readonly timing: Timing;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** The ruler of the score: ticks, and seconds and frames where there is room for figures. */
export const Ticks = memo(function Ticks({ timing, scale, rate }: Props) {
  const ticks = useMemo(() => rulerTicks(timing, scale, rate), [timing, scale, rate]);
  return (
    <div className="pointer-events-none absolute inset-0 overflow-hidden" aria-hidden="true">
      {ticks.map(({ x, figure }) => (
        <span
          key={x}
          className={`absolute bottom-0 border-l border-line-strong pl-1 font-mono text-[10.5px] leading-none text-soft ${figure === null ? 'h-1.5' : 'h-4'}`}
          style={{ left: x }}
        >
          {figure}
        </span>
      ))}
    </div>
  );
});
