'use client';
import { useMemo, useState } from 'react';
import type { FieldValues, Template } from '@/core/document/template';
import type { FrameFormat } from '@/core/layout/formats';
import { InputError } from '@/core/kit/inputError';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';

export interface CompileResult {
  /** The last layout that worked; null before the fonts are there. */
  readonly title: CompiledTitle | null;
  /** Why the present document cannot be laid out, in words; empty when it can. */
  readonly problem: string;
}

/** A title laid out; a document that cannot be laid out keeps the last picture and says why. */
export function useCompiled(
  template: Template,
  values: FieldValues,
  format: FrameFormat,
  fonts: FontLibrary | null,
): CompileResult {
  const [last, setLast] = useState<CompiledTitle | null>(null);
  const result = useMemo<CompileResult>(() => {
    if (fonts === null) return { title: null, problem: '' };
    try {
      return { title: compile(template, values, format, fonts), problem: '' };
    } catch (error) {
      if (error instanceof InputError) return { title: null, problem: error.message };
      throw error;
    }
  }, [template, values, format, fonts]);
  if (result.title !== null && result.title !== last) setLast(result.title);
  return result.problem === '' ? result : { title: last, problem: result.problem };
}
