'use client';
import { useId, useRef } from 'react';
import { MOST_PATTERN_LETTERS } from '@/core/outputs/namePattern';
import { InputError } from '@/core/kit/inputError';
import { classes } from '../../shared/classes';
import { SelectBox } from '../../shared/SelectBox';

interface Props {
  readonly label: string;
  readonly pattern: string;
  readonly onChange: (pattern: string) => void;
  readonly tokens: readonly { readonly id: string; readonly label: string; readonly note: string }[];
  /** What is put before a part that is added behind others. */
  readonly between?: string;
  readonly problem: string | null;
  /** What comes of it, in words; a space where that is not known. */
  readonly example: string;
  readonly placeholder?: string;
  readonly disabled?: boolean;
}

/** A pattern of words and parts, with what comes of it. */
export function PatternRow({
  label,
  pattern,
  onChange,
  tokens,
  between = '',
  problem,
  example,
  placeholder,
  disabled = false,
}: Props) {
  const box = useRef<HTMLInputElement>(null);
  const id = useId();
  const add = (part: string): void => {
    if (part === '') return;
    const at = box.current?.selectionStart ?? pattern.length;
    const to = box.current?.selectionEnd ?? at;
    const before = pattern.slice(0, at);
    onChange(
      `${before}${before === '' || before.endsWith(between) ? '' : between}${part}${pattern.slice(to)}`,
    );
    box.current?.focus();
  };
  const parts = tokens.map((token) => ({ value: `{${token.id}}`, label: `${token.label}: ${token.note}` }));
  return (
    <div className="mt-2 grid grid-cols-[132px_1fr_150px] items-center gap-x-2">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <input
        id={id}
        ref={box}
        value={pattern}
        maxLength={MOST_PATTERN_LETTERS}
        spellCheck={false}
        placeholder={placeholder}
        disabled={disabled}
        aria-invalid={problem !== null}
        aria-describedby={`${id}-example`}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 min-w-0 rounded-lg border border-line-strong bg-field px-2.5 font-mono text-[12.5px] placeholder:font-sans placeholder:text-soft disabled:opacity-70"
      />
      <SelectBox
        label={`Add a part to the ${label.toLowerCase()}`}
        value=""
        disabled={disabled}
        choices={[{ value: '', label: 'Add a part…' }, ...parts]}
        onChange={add}
      />
      <p
        id={`${id}-example`}
        className={classes(
          'col-span-2 col-start-2 pt-0.5 text-[12.5px]',
          problem === null ? 'text-soft' : 'text-stop-ink',
        )}
      >
        {problem ?? example}
      </p>
    </div>
  );
}

/** What is wrong with a pattern, in words; null for a good one. */
export function problemOf(parse: () => unknown): string | null {
  try {
    parse();
    return null;
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
}
