'use client';
import { useMemo, useState } from 'react';
import type { FieldValues, Template } from '@/core/model/template';
import type { FrameFormat } from '@/core/frame/formats';
import { InputError } from '@/core/kit/inputError';
import type { CompiledTitle } from '@/core/timeline/compile';
import { picturesOf } from '@/core/resolve/pictures';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { useHouse } from '../shared/useHouse';
import { usePictures } from './pictures';

export interface CompileResult {
  /** The last layout that worked; null before the fonts are there. */
  readonly title: CompiledTitle | null;
  /** Why the present document cannot be laid out, in words; empty when it can. */
  readonly problem: string;
}

/** Lays a title out; a document that cannot be laid out keeps the last picture and says why. */
class TitleKeeper {
  private last: CompiledTitle | null = null;

  layOut(...asked: Parameters<typeof compile>): CompileResult {
    try {
      this.last = compile(...asked);
      return { title: this.last, problem: '' };
    } catch (error) {
      if (error instanceof InputError) return { title: this.last, problem: error.message };
      throw error;
    }
  }
}

/** A title laid out; a document that cannot be laid out keeps the last picture and says why. */
export function useCompiled(
  template: Template,
  values: FieldValues,
  format: FrameFormat,
  fonts: FontLibrary | null,
): CompileResult {
  const { language } = useHouse();
  const pictures = usePictures(picturesOf(template, { format, values }));
  const [keeper] = useState(() => new TitleKeeper());
  return useMemo<CompileResult>(
    () =>
      fonts === null
        ? { title: null, problem: '' }
        : keeper.layOut(template, values, format, fonts, pictures, null, language),
    [keeper, template, values, format, fonts, pictures, language],
  );
}
