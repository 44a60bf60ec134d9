'use client';
import { useRef } from 'react';
import { InputError } from '@/core/kit/inputError';
import { MOST_PATTERN_LETTERS, NAME_TOKENS, parseNamePattern } from '@/core/outputs/namePattern';
import { counted } from '../../shared/counted';
import { SelectBox } from '../../shared/SelectBox';

/** What is wrong with a pattern of names, in words; null for a good one. */
export function patternProblem(pattern: string): string | null {
  try {
    parseNamePattern(pattern);
    return null;
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
}

interface Props {
  readonly pattern: string;
  readonly onChange: (pattern: string) => void;
  /** How the first files will be called, as the press says; none while it is not known. */
  readonly names: readonly string[];
  readonly alike: number;
}

const PARTS = [
  { value: '', label: 'Add a part…' },
  ...NAME_TOKENS.map(({ id, label, note }) => ({ value: `{${id}}`, label: `${label}: ${note}` })),
];

/** How files are called, with what comes of it. */
export function FileNames({ pattern, onChange, names, alike }: Props) {
  const box = useRef<HTMLInputElement>(null);
  const problem = patternProblem(pattern);
  const add = (part: string): void => {
    if (part === '') return;
    const at = box.current?.selectionStart ?? pattern.length;
    const to = box.current?.selectionEnd ?? at;
    onChange(pattern.slice(0, at) + part + pattern.slice(to));
    box.current?.focus();
  };
  return (
    <div className="mt-2 grid grid-cols-[132px_1fr_150px] items-center gap-x-2">
      <label htmlFor="file-names" className="text-soft">
        File names
      </label>
      <input
        id="file-names"
        ref={box}
        value={pattern}
        maxLength={MOST_PATTERN_LETTERS}
        spellCheck={false}
        aria-invalid={problem !== null}
        aria-describedby="file-names-example"
        onChange={(event) => onChange(event.target.value)}
        className="h-8 min-w-0 rounded-lg border border-line-strong bg-field px-2.5 font-mono text-[12.5px]"
      />
      <SelectBox label="Add a part to the names" value="" choices={PARTS} onChange={add} />
      <p
        id="file-names-example"
        className={
          problem === null
            ? 'col-span-2 col-start-2 pt-0.5 text-[12.5px] text-soft'
            : 'col-span-2 col-start-2 text-[12.5px] text-stop-ink'
        }
      >
        {problem ?? exampleWords(names, alike)}
      </p>
    </div>
  );
}

function exampleWords(names: readonly string[], alike: number): string {
  if (names.length === 0) return ' ';
  const figures = alike === 0 ? '' : `, ${counted(alike, 'name')} with a figure, since they would be alike`;
  return `Such as ${names[0]}${figures}`;
}
