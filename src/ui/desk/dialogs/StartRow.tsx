'use client';
import { useState } from 'react';
import { InputError } from '@/core/kit/inputError';
import type { ClockSetting } from '@/core/time/clock';
import { clockOf, frameToTimecode, textToLength, USUAL_STARTS } from '@/core/time/clock';
import type { TimecodeMode } from '@/core/time/timecode';
import { labelFrame, labelText, modesOf } from '@/core/time/timecode';
import { SelectBox } from '../../shared/SelectBox';
import { useApplyWork, useClock, useDesk } from '../deskContext';

const MODE_LABELS: Readonly<Record<TimecodeMode, string>> = {
  drop: 'Drop frame',
  'non-drop': 'Non-drop frame',
};

/** The timecode that the project starts at, typed or one of the usual ones, and how it counts. */
export function StartRow() {
  const { rate } = useDesk();
  const clock = useClock();
  const apply = useApplyWork();
  const shown = frameToTimecode(0, clock);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const set = (setting: ClockSetting): void =>
    apply((work) => ({ ...work, plan: { ...work.plan, clock: setting } }));
  const take = (text: string): void => {
    try {
      set({ mode: clock.mode, startFrame: textToLength(text, clock, 'Starts at') });
      setTyped(null);
      setProblem('');
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem(error.message);
    }
  };
  /** The same label in another mode is another frame; a label that drop frame leaves out becomes one just before it. */
  const countBy = (mode: TimecodeMode): void => {
    const next = clockOf(rate, { mode, startFrame: 0 });
    const label = shown.replace(';', ':');
    const [hours, minutes, seconds, frames] = label.split(':').map(Number);
    const skipped = labelFrame({ hours, minutes, seconds, frames }, next);
    set({ mode, startFrame: skipped });
  };
  const modes = modesOf(rate);
  return (
    <div className="mb-2 grid grid-cols-[150px_1fr_1fr] items-center gap-2">
      <span className="text-soft">Starts at</span>
      <span>
        <input
          aria-label="The project starts at"
          aria-invalid={problem !== ''}
          list="usual-starts"
          className="h-8 w-full rounded-lg border border-line-strong bg-field px-2 font-mono"
          value={typed ?? shown}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => typed !== null && take(typed)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && typed !== null) take(typed);
            if (event.key !== 'Escape' || typed === null) return;
            event.stopPropagation();
            setTyped(null);
            setProblem('');
          }}
        />
        <datalist id="usual-starts">
          {USUAL_STARTS.map((start) => (
            <option key={start.hours} value={labelText(start, clock.mode)} />
          ))}
        </datalist>
      </span>
      {modes.length > 1 ? (
        <SelectBox
          label="Timecode counts by"
          value={clock.mode}
          choices={modes.map((mode) => ({ value: mode, label: MODE_LABELS[mode] }))}
          onChange={countBy}
        />
      ) : (
        <span className="text-soft">{`at ${rate.label} frames a second`}</span>
      )}
      {problem !== '' && (
        <p role="alert" className="col-start-2 col-end-4 text-stop-ink">
          {problem}
        </p>
      )}
    </div>
  );
}
