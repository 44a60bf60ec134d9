'use client';
import { useState } from 'react';
import { InputError } from '@/core/kit/inputError';
import { frameToTimecode, lengthToTimecode, textToLength, timecodeToFrame } from '@/core/time/clock';
import { classes } from '../shared/classes';
import { useClock } from './deskContext';

interface Props {
  readonly label: string;
  readonly frame: number;
  /** A moment of the project, or a length. */
  readonly kind: 'moment' | 'length';
  /** The least that it may be. */
  readonly least?: number;
  readonly onChange: (frame: number) => void;
  readonly className?: string;
}

/** A time that is typed over; taken with Enter or when it is left, and a wrong one says what is wrong. */
export function TimeField({ label, frame, kind, least = 0, onChange, className }: Props) {
  const clock = useClock();
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  const shown = kind === 'moment' ? frameToTimecode(frame, clock) : lengthToTimecode(frame, clock);
  const back = (): void => {
    setTyped(null);
    setWrong('');
  };
  const take = (): void => {
    if (typed === null || typed === shown) return back();
    try {
      const next = kind === 'moment' ? timecodeToFrame(typed, clock) : textToLength(typed, clock);
      if (next < least) return setWrong(`Needs at least ${least} frames.`);
      onChange(next);
      back();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setWrong(`Needs ${error.problems[0].expected}.`);
    }
  };
  return (
    <span className={classes('relative block min-w-0', className)}>
      <input
        aria-label={label}
        aria-invalid={wrong !== ''}
        value={typed ?? shown}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setWrong('');
        }}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          back();
          event.currentTarget.blur();
        }}
        className={classes(
          'h-8 w-full min-w-0 rounded-lg border bg-field px-2 font-mono text-[12.5px]',
          wrong === '' ? 'border-line-strong' : 'border-stop bg-stop-wash',
        )}
      />
      {wrong !== '' && (
        <span
          role="alert"
          className="absolute top-9 left-0 z-40 w-56 rounded-lg border border-stop bg-card p-2 text-[12px] text-stop-ink"
        >
          {wrong}
        </span>
      )}
    </span>
  );
}
