'use client';
import { useMemo, useState } from 'react';
import type { FieldValues, Template } from '@/core/document/template';
import type { FrameFormat } from '@/core/layout/formats';
import { InputError } from '@/core/kit/inputError';
import type { CompiledTitle } from '@/core/timeline/compile';
import { picturesOf } from '@/core/document/pictures';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { usePictures } from './pictures';

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
  const pictures = usePictures(picturesOf(template, values));
  const [last, setLast] = useState<CompiledTitle | null>(null);
  const result = useMemo<CompileResult>(() => {
    if (fonts === null) return { title: null, problem: '' };
    try {
      return { title: compile(template, values, format, fonts, pictures), problem: '' };
    } catch (error) {
      if (error instanceof InputError) return { title: null, problem: error.message };
      throw error;
    }
  }, [template, values, format, fonts, pictures]);
  if (result.title !== null && result.title !== last) setLast(result.title);
  return result.problem === '' ? result : { title: last, problem: result.problem };
}
