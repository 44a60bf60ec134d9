'use client';
import { NAME_TOKENS, parseNamePattern } from '@/core/outputs/namePattern';
import { counted } from '../../shared/counted';
import { PatternRow, problemOf } from './PatternRow';

/** What is wrong with a pattern of names, in words; null for a good one. */
export const patternProblem = (pattern: string): string | null => problemOf(() => parseNamePattern(pattern));

interface Props {
  readonly pattern: string;
  readonly onChange: (pattern: string) => void;
  /** How the first files will be called, as the press says; none while it is not known. */
  readonly names: readonly string[];
  readonly alike: number;
}

/** How files are called, with what comes of it. */
export function FileNames({ pattern, onChange, names, alike }: Props) {
  return (
    <PatternRow
      label="File names"
      pattern={pattern}
      onChange={onChange}
      tokens={NAME_TOKENS}
      problem={patternProblem(pattern)}
      example={exampleWords(names, alike)}
    />
  );
}

function exampleWords(names: readonly string[], alike: number): string {
  if (names.length === 0) return ' ';
  const figures = alike === 0 ? '' : `, ${counted(alike, 'name')} with a figure, since they would be alike`;
  return `Such as ${names[0]}${figures}`;
}
