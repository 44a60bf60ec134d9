'use client';
import { useState } from 'react';
import { InputError } from '@/core/kit/inputError';
import type { FrameRate } from '@/core/units/rates';
import { timecodeToFrame } from '@/core/units/timecode';
import { classes } from '../shared/classes';

interface Props {
  readonly label: string;
  readonly row: number;
  readonly col: string;
  /** Frames. */
  readonly value: number;
  readonly show: (frame: number) => string;
  readonly rate: FrameRate;
  readonly least: number;
  readonly onChange: (frame: number) => void;
}

/** A time in the sheet. A wrong one stays as it was typed, with what is wrong beside it, and changes nothing. */
export function TimeCell({ label, row, col, value, show, rate, least, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  const commit = (): boolean => {
    if (typed === null || typed === show(value)) {
      setTyped(null);
      setWrong('');
      return true;
    }
    try {
      const frame = timecodeToFrame(typed, rate, label);
      if (frame < least) throw InputError.of(label, `at least ${least} frames`, typed);
      setTyped(null);
      setWrong('');
      if (frame !== value) onChange(frame);
      return true;
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setWrong(`Expected ${error.problems[0].expected}, got ${error.problems[0].got}.`);
      return false;
    }
  };
  return (
    <span className="relative block">
      <input
        data-row={row}
        data-col={col}
        aria-label={label}
        aria-invalid={wrong !== ''}
        value={typed ?? show(value)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          // A new start may move the row, so Enter stays with it; elsewhere it goes on to the row below.
          if (event.key === 'Enter' && (!commit() || col === 'in')) event.stopPropagation();
          if (event.key !== 'Escape') return;
          setTyped(null);
          setWrong('');
        }}
        className={classes(
          'h-8 w-full rounded-md bg-transparent px-1.5 font-mono text-[12.5px] hover:bg-field focus:bg-field',
          wrong !== '' && 'bg-stop-wash',
        )}
      />
      {wrong !== '' && (
        <span
          role="alert"
          className="absolute top-8 left-0 z-30 w-64 rounded-lg border border-stop bg-card p-2 text-[12px] text-stop-ink"
        >
          {wrong}
        </span>
      )}
    </span>
  );
}
