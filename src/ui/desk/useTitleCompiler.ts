'use client';
import { useMemo } from 'react';
import type { Title } from '@/core/document/project';
import type { FrameFormat } from '@/core/layout/formats';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { EditionRecord } from '@/db/templates';

export type TitleCompiler = (title: Title) => CompiledTitle | null;

/** Lays titles out when they are first seen, and again only when their words or their edition change. */
function createTitleCompiler(
  format: FrameFormat,
  fonts: FontLibrary | null,
  editions: ReadonlyMap<string, EditionRecord>,
): TitleCompiler {
  const known = new WeakMap<Title['values'], Map<string, CompiledTitle>>();
  return ({ values, editionId }) => {
    const edition = editions.get(editionId);
    if (fonts === null || edition === undefined) return null;
    const byEdition = known.get(values) ?? new Map<string, CompiledTitle>();
    known.set(values, byEdition);
    const compiled = byEdition.get(editionId) ?? compile(edition.document, values, format, fonts);
    byEdition.set(editionId, compiled);
    return compiled;
  };
}

/** A compiler for titles in a format, the same one as long as format, fonts and editions are. */
export function useTitleCompiler(
  format: FrameFormat,
  fonts: FontLibrary | null,
  editions: ReadonlyMap<string, EditionRecord>,
): TitleCompiler {
  return useMemo(() => createTitleCompiler(format, fonts, editions), [format, fonts, editions]);
}
