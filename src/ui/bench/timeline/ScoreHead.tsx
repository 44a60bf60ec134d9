'use client';
import { memo } from 'react';
import { PauseIcon, PlayIcon } from '@heroicons/react/24/outline';
import { setTiming } from '@/core/edit/editTemplate';
import type { Timing } from '@/core/model/template';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { neededByMoves } from '@/core/titleTime/stretch';
import type { FrameRate } from '@/core/time/rates';
import { secondsToFrame, SHORTEST_FRAMES } from '@/core/time/rates';
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
import { useApply, useBench, useTemplatePart } from '../state/benchStore';
import type { Player } from '../../picture/usePlayer';

interface Props {
  readonly time: TitleTime;
  readonly player: Player;
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
export function ScoreHead({ time, player, zoom, zooms, onZoom }: Props) {
  const { totalFrames } = time;
  return (
    <>
      <div className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 px-4">
        <button
          type="button"
          aria-label={player.playing ? 'Stop' : 'Play'}
          title={`${player.playing ? 'Stop' : 'Play'} (Space)`}
          onClick={player.toggle}
          className="grid h-8 w-8 place-items-center rounded-lg hover:bg-paper"
        >
          {player.playing ? <PauseIcon className="h-5 w-5" /> : <PlayIcon className="h-5 w-5" />}
        </button>
        <TimecodeBox
          clock={clockOf(time.rate)}
          frame={timecodeFrame(player, time.rate)}
          end={totalFrames}
          onGo={player.seek}
          className="w-32 text-[15px] hover:bg-paper focus:bg-paper"
        />
        <span className="w-16 text-[12px] text-soft" data-testid="part-now">
          {columnWords(player.frame, totalFrames, time.timing)}
        </span>
        <Columns time={time} />
      </div>
      <PlayChoices time={time} playing={player.playing} zoom={zoom} zooms={zooms} onZoom={onZoom} />
    </>
  );
}

/** The lengths of the three columns, the marks, and adding layers: not drawn again while it plays. */
const Columns = memo(function Columns({ time }: Pick<Props, 'time'>) {
  const { rate } = time;
  const timing = useTemplatePart((template) => template.timing);
  const apply = useApply();
  const set = (change: Partial<Timing>): void => apply((now) => setTiming(now, { ...now.timing, ...change }));
  const frameUnits = { f: rate.denominator / rate.numerator, s: 1 };
  const needed = neededByMoves(timing, time.timing, rate);
  return (
    <>
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
    </>
  );
});

interface ChoicesProps extends Omit<Props, 'player'> {
  readonly playing: boolean;
}

/** How long the title is tried, with what sound, how fast, what of it loops, and the zoom: not drawn again while it plays. */
const PlayChoices = memo(function PlayChoices({ time, playing, zoom, zooms, onZoom }: ChoicesProps) {
  const { rate, totalFrames } = time;
  const { playhead } = useBench();
  const framesPerSecond = rate.numerator / rate.denominator;
  const frameNow = (): number => secondsToFrame(playhead.getState().seconds, rate);
  return (
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
      <SoundMenu playing={playing} speed={time.speed} />
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
          onChange={(choice) => time.setLoop(chooseLoop(choice, time.loop, frameNow(), time.timing))}
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
  );
});

// No eye reads more figures a second, and each takes time from the picture.
const READ_PER_SECOND = 30;

/** The frame whose timecode is shown: at high rates every other one while it plays. */
function timecodeFrame({ frame, playing }: Player, { nominal }: FrameRate): number {
  return playing && nominal > READ_PER_SECOND ? frame - (frame % 2) : frame;
}

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
