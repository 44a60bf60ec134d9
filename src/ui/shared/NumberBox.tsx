'use client';
import { useState } from 'react';
import { evaluateNumber } from './arithmetic';
import { classes } from './classes';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
  /** What units are worth, such as { f: 1 / 25, s: 1 }. The box's own unit is worth 1. */
  readonly units?: Readonly<Record<string, number>>;
  readonly digits?: number;
  /** Whether it stands for several numbers; none of them is shown then. */
  readonly mixed?: boolean;
}

/** A number with its unit. Takes arithmetic; arrow keys step it, with Shift by ten; Escape takes it back. */
export function NumberBox(props: Props) {
  const { label, value, unit, min, max, step, onChange, units = {}, digits = 2, mixed = false } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  // What a limit made of what was typed: nobody is to think that it was taken as it is.
  const [limited, setLimited] = useState('');
  const shown = mixed ? '' : String(Number(value.toFixed(digits)));

  const keep = (next: number): void => {
    const kept = Math.max(min, Math.min(max, next));
    const end = kept < next ? 'most' : 'least';
    setLimited(Math.abs(kept - next) < 1e-9 ? '' : `${Number(kept.toFixed(digits))} ${unit} is the ${end}`);
    onChange(kept);
  };
  const commit = (): void => {
    if (typed === null) return;
    if (mixed && typed.trim() === '') return setTyped(null);
    const result = evaluateNumber(typed, value, { [unit]: 1, ...units });
    if (result === null) {
      setWrong(true);
      return;
    }
    if (typed !== shown) keep(result);
    setTyped(null);
    setWrong(false);
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Enter') commit();
    else if (event.key === 'Escape') {
      setTyped(null);
      setWrong(false);
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const by = (event.key === 'ArrowUp' ? step : -step) * (event.shiftKey ? 10 : 1);
      setTyped(null);
      keep(Number((value + by).toFixed(6)));
    }
  };

  return (
    <span className="relative block w-full min-w-0">
      <input
        aria-label={label}
        aria-invalid={wrong}
        inputMode="decimal"
        value={typed ?? shown}
        onFocus={(event) => event.target.select()}
        placeholder={mixed ? 'several' : undefined}
        onChange={(event) => {
          setTyped(event.target.value);
          setLimited('');
          if (wrong && evaluateNumber(event.target.value, value, { [unit]: 1, ...units }) !== null)
            setWrong(false);
        }}
        onBlur={commit}
        onKeyDown={onKeyDown}
        className={classes(
          'h-8 w-full rounded-lg border bg-field pr-7 pl-2.5 font-mono text-[12.5px]',
          wrong ? 'border-stop' : 'border-line-strong',
        )}
      />
      <span className="pointer-events-none absolute top-4 right-2.5 -translate-y-1/2 text-[12px] text-soft">
        {unit}
      </span>
      {limited !== '' && (
        <span role="status" className="mt-1 block text-[12px] text-leaf-ink">
          {limited}
        </span>
      )}
      {wrong && (
        <span role="alert" className="mt-1 block text-[12px] text-stop-ink">
          Not a number: “{typed}”. Try 1080/3 or +12.
        </span>
      )}
    </span>
  );
}
