'use client';
import { useState } from 'react';
import { InputError } from '@/core/kit/inputError';
import { frameToTimecode, timecodeToFrame } from '@/core/time/clock';
import type { Clock } from '@/core/time/clock';

interface Props {
  readonly clock: Clock;
  readonly frame: number;
  readonly end: number;
  readonly onGo: (frame: number) => void;
  readonly className?: string;
}

/** The playhead's timecode; typed over, it goes there. Takes whole timecodes, `5:10`, `4.5s` and `40f`. */
export function TimecodeBox({
  clock,
  frame,
  end,
  onGo,
  className = 'w-[104px] hover:bg-white/10 focus:bg-white/10',
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  const read = (text: string): number | string => {
    try {
      return Math.min(end, timecodeToFrame(text, clock));
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return `Needs ${error.problems[0].expected}.`;
    }
  };
  const leave = (): void => {
    setTyped(null);
    setWrong('');
  };
  return (
    <span className="relative">
      <input
        aria-label="Timecode of the playhead"
        aria-invalid={wrong !== ''}
        data-testid="timecode"
        title="Type a timecode to go there"
        value={typed ?? frameToTimecode(frame, clock)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          if (wrong !== '' && typeof read(event.target.value) === 'number') setWrong('');
        }}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            leave();
            event.currentTarget.blur();
          }
          if (event.key !== 'Enter') return;
          const found = typed === null ? frame : read(typed);
          if (typeof found === 'string') return setWrong(found);
          onGo(found);
          leave();
          event.currentTarget.blur();
        }}
        className={`h-7 rounded-md bg-transparent px-1.5 font-mono ${className}`}
      />
      {wrong !== '' && (
        <span
          role="alert"
          className="absolute bottom-8 left-0 z-30 w-64 rounded-lg border border-stop bg-card p-2 text-[12px] text-stop-ink"
        >
          {wrong}
        </span>
      )}
    </span>
  );
}
