'use client';
import { useMemo } from 'react';
import { picturesOf } from '@/core/document/pictures';
import type { Title } from '@/core/document/project';
import type { PictureSizes } from '@/core/layers/layerKind';
import type { FrameFormat } from '@/core/layout/formats';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { EditionRecord } from '@/db/templates';
import { usePictures } from '../picture/pictures';
import { useShownValues, useTitles } from './deskContext';

export type TitleCompiler = (title: Title) => CompiledTitle | null;

/** Lays titles out when they are first seen, and again only when their words or their edition change. */
function createTitleCompiler(
  format: FrameFormat,
  fonts: FontLibrary | null,
  editions: ReadonlyMap<string, EditionRecord>,
  pictures: PictureSizes,
  shownValues: (title: Title) => Title['values'],
): TitleCompiler {
  const known = new WeakMap<Title['values'], Map<string, CompiledTitle>>();
  return (title) => {
    const { editionId } = title;
    const values = shownValues(title);
    const edition = editions.get(editionId);
    if (fonts === null || edition === undefined) return null;
    const byEdition = known.get(values) ?? new Map<string, CompiledTitle>();
    known.set(values, byEdition);
    const compiled = byEdition.get(editionId) ?? compile(edition.document, values, format, fonts, pictures);
    byEdition.set(editionId, compiled);
    return compiled;
  };
}

/** The pictures that titles show, in the order in which they come up. */
function titlePictures(titles: readonly Title[], editions: ReadonlyMap<string, EditionRecord>): string[] {
  const all = titles.flatMap((title) => {
    const edition = editions.get(title.editionId);
    return edition === undefined ? [] : picturesOf(edition.document, title.values);
  });
  return [...new Set(all)];
}

/** A compiler for titles in a format, the same one as long as format, fonts and editions are. */
export function useTitleCompiler(
  format: FrameFormat,
  fonts: FontLibrary | null,
  editions: ReadonlyMap<string, EditionRecord>,
): TitleCompiler {
  const titles = useTitles();
  const shownValues = useShownValues();
  const pictures = usePictures(titlePictures(titles, editions));
  return useMemo(
    () => createTitleCompiler(format, fonts, editions, pictures, shownValues),
    [format, fonts, editions, pictures, shownValues],
  );
}
