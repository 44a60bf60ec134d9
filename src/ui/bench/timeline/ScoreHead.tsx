'use client';
import { memo } from 'react';
import { PauseIcon, PlayIcon } from '@heroicons/react/24/outline';
import { setTiming } from '@/core/edit/editTemplate';
import type { Timing } from '@/core/model/template';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { neededByMoves } from '@/core/titleTime/stretch';
import { SHORTEST_FRAMES } from '@/core/time/rates';
import { clockOf } from '@/core/time/clock';
import { SPEEDS } from '../../picture/usePlayer';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { TimecodeBox } from '../../shared/TimecodeBox';
import { AddLayer } from './AddLayer';
import { MarkList } from './MarkList';
import { SoundMenu } from './SoundMenu';
import type { TitleTime } from './useTitleTime';
import { chooseLoop, loopChoices } from './useTitleTime';
import { useApply, useTemplatePart } from '../state/benchStore';

interface Props {
  readonly time: TitleTime;
  readonly zoom: number;
  readonly zooms: readonly number[];
  readonly onZoom: (zoom: number) => void;
}

const LONGEST_SECONDS = 60;
const SPEED_LABELS = { 0.25: '¼ speed', 0.5: '½ speed', 1: 'Speed 1', 2: 'Speed 2' } as const;

const COLUMNS = [
  { name: 'In', className: 'text-in', part: 'inSeconds' },
  { name: 'Hold', className: 'text-soft', part: 'holdSeconds' },
  { name: 'Out', className: 'text-out', part: 'outSeconds' },
] as const;

/** Above the score: playing, where the playhead is, the lengths of the three columns, and adding layers. */
export const ScoreHead = memo(function ScoreHead({ time, zoom, zooms, onZoom }: Props) {
  const { player, rate, totalFrames } = time;
  const clock = clockOf(rate);
  const timing = useTemplatePart((template) => template.timing);
  const apply = useApply();
  const set = (change: Partial<Timing>): void => apply((now) => setTiming(now, { ...now.timing, ...change }));
  const frameUnits = { f: rate.denominator / rate.numerator, s: 1 };
  const framesPerSecond = rate.numerator / rate.denominator;
  const needed = neededByMoves(timing, time.timing, rate);
  return (
    <>
      <div className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 px-4">
        <button
          type="button"
          aria-label={player.playing ? 'Stop' : 'Play'}
          title={`${player.playing ? 'Stop' : 'Play'} (Space)`}
          onClick={() => player.toggle()}
          className="grid h-8 w-8 place-items-center rounded-lg hover:bg-paper"
        >
          {player.playing ? <PauseIcon className="h-5 w-5" /> : <PlayIcon className="h-5 w-5" />}
        </button>
        <TimecodeBox
          clock={clock}
          frame={player.frame}
          end={totalFrames}
          onGo={player.seek}
          className="w-32 text-[15px] hover:bg-paper focus:bg-paper"
        />
        <span className="w-16 text-[12px] text-soft" data-testid="part-now">
          {columnWords(player.frame, totalFrames, time.timing)}
        </span>
        {COLUMNS.map(({ name, className, part }) => (
          <ColumnLength
            key={part}
            name={name}
            className={className}
            value={timing[part]}
            units={frameUnits}
            onChange={(seconds) => set({ [part]: seconds })}
          />
        ))}
        <span
          role="status"
          title="Both are shortened until the title is long enough"
          className="min-w-0 flex-1 text-[12px] leading-tight text-stop-ink"
        >
          {needed !== null && `Too short: in and out need ${needed.toFixed(1)} s`}
        </span>
        <MarkList />
        <AddLayer />
      </div>
      <div className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-t border-line px-4 text-[12px]">
        <label className="flex min-w-0 flex-1 basis-52 items-center gap-2">
          <span className="shrink-0 text-soft">Preview length</span>
          <input
            type="range"
            aria-label="Preview length"
            aria-valuetext={`${(totalFrames / framesPerSecond).toFixed(1)} seconds`}
            min={SHORTEST_FRAMES}
            max={Math.ceil(LONGEST_SECONDS * framesPerSecond)}
            value={totalFrames}
            onChange={(event) => time.tryLength(Number(event.target.value))}
            className="min-w-0 flex-1 accent-ink"
          />
          <span className="w-14 shrink-0 font-mono">{(totalFrames / framesPerSecond).toFixed(1)} s</span>
        </label>
        {totalFrames !== time.ownFrames && (
          <button
            type="button"
            className="shrink-0 font-semibold text-leaf-ink"
            onClick={() => time.tryLength(null)}
          >
            Its own length
          </button>
        )}
        <SoundMenu playing={player.playing} seconds={time.seconds} speed={time.speed} />
        <span className="w-20 shrink-0">
          <SelectBox
            label="Speed of playing"
            value={String(time.speed)}
            choices={SPEEDS.map((one) => ({ value: String(one), label: SPEED_LABELS[one] }))}
            onChange={(next) => time.setSpeed(Number(next))}
          />
        </span>
        <span className="w-40 shrink-0">
          <SelectBox
            label="What loops"
            value={typeof time.loop === 'object' ? 'range' : time.loop}
            choices={loopChoices(time.loop, rate)}
            onChange={(choice) => time.setLoop(chooseLoop(choice, time.loop, player.frame, time.timing))}
          />
        </span>
        <span className="w-20 shrink-0">
          <SelectBox
            label="Zoom of the timeline"
            value={String(zoom)}
            choices={zooms.map((one) => ({ value: String(one), label: `× ${one}` }))}
            onChange={(next) => onZoom(Number(next))}
          />
        </span>
      </div>
    </>
  );
});

function columnWords(frame: number, total: number, { inFrames, outFrames }: TitleTiming): string {
  if (frame >= total) return 'very end';
  if (frame < inFrames) return 'in';
  return frame < total - outFrames ? 'hold' : 'out';
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
