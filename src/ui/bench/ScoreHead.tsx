'use client';
import { memo } from 'react';
import { PauseIcon, PlayIcon } from '@heroicons/react/24/outline';
import { setTiming } from '@/core/document/editTemplate';
import type { Timing } from '@/core/document/template';
import type { FrameRate } from '@/core/units/rates';
import { frameToTimecode } from '@/core/units/timecode';
import type { Player } from '../picture/usePlayer';
import { NumberBox } from '../shared/NumberBox';
import { AddLayer } from './AddLayer';
import { useApply, useTemplatePart } from './benchStore';

interface Props {
  readonly player: Player;
  readonly rate: FrameRate;
  readonly totalFrames: number;
}

/** Above the score: playing, where the playhead is, the lengths of the three columns, and adding layers. */
export const ScoreHead = memo(function ScoreHead({ player, rate, totalFrames }: Props) {
  const timing = useTemplatePart((template) => template.timing);
  const apply = useApply();
  const set = (change: Partial<Timing>): void => apply((now) => setTiming(now, { ...now.timing, ...change }));
  const frameUnits = { f: rate.denominator / rate.numerator, s: 1 };
  return (
    <div className="flex h-11 shrink-0 items-center gap-3 px-4">
      <button
        type="button"
        aria-label={player.playing ? 'Stop' : 'Play'}
        title={`${player.playing ? 'Stop' : 'Play'} (Space)`}
        onClick={() => player.toggle()}
        className="grid h-8 w-8 place-items-center rounded-lg hover:bg-paper"
      >
        {player.playing ? <PauseIcon className="h-5 w-5" /> : <PlayIcon className="h-5 w-5" />}
      </button>
      <span className="font-mono text-[15px]" data-testid="timecode">
        {frameToTimecode(player.frame, rate)}
      </span>
      <span className="w-16 text-[12px] text-soft">
        {columnWords(player.frame, totalFrames, timing, rate)}
      </span>
      <ColumnLength
        name="In"
        className="text-in"
        value={timing.inSeconds}
        units={frameUnits}
        onChange={(inSeconds) => set({ inSeconds })}
      />
      <ColumnLength
        name="Hold"
        className="text-soft"
        value={timing.holdSeconds}
        units={frameUnits}
        onChange={(holdSeconds) => set({ holdSeconds })}
      />
      <ColumnLength
        name="Out"
        className="text-out"
        value={timing.outSeconds}
        units={frameUnits}
        onChange={(outSeconds) => set({ outSeconds })}
      />
      <span className="flex-1" />
      <AddLayer />
    </div>
  );
});

function columnWords(frame: number, total: number, timing: Timing, rate: FrameRate): string {
  const seconds = (frame * rate.denominator) / rate.numerator;
  if (frame >= total) return 'very end';
  if (seconds < timing.inSeconds) return 'in';
  return seconds < timing.inSeconds + timing.holdSeconds ? 'hold' : 'out';
}

interface ColumnProps {
  readonly name: string;
  readonly className: string;
  readonly value: number;
  readonly units: Readonly<Record<string, number>>;
  readonly onChange: (seconds: number) => void;
}

function ColumnLength({ name, className, value, units, onChange }: ColumnProps) {
  return (
    <span className="flex items-center gap-1.5">
      <span className={`caps ${className}`}>{name}</span>
      <span className="w-[74px]">
        <NumberBox
          label={`${name} length in seconds`}
          unit="s"
          min={name === 'Hold' ? 0 : 0.04}
          max={name === 'Hold' ? 600 : 30}
          step={0.1}
          value={value}
          units={units}
          onChange={onChange}
        />
      </span>
    </span>
  );
}
