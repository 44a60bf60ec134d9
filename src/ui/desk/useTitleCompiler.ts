'use client';
import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { titleTemplate } from '@/core/project/titleTemplate';
import { picturesOf } from '@/core/resolve/pictures';
import type { Title } from '@/core/model/project';
import { sameValue } from '@/core/kit/sameValue';
import type { PictureSizes } from '@/core/layers/layerKind';
import type { FrameFormat } from '@/core/frame/formats';
import { deliveryLanguage, layOutTitle } from '@/core/project/deliver';
import type { CompiledTitle } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { usePictures } from '../picture/pictures';
import { useHouse } from '../shared/useHouse';
import { useDesk, usePlan, useShownValues } from './deskContext';

export type TitleCompiler = (title: Title) => CompiledTitle | null;

interface CompiledOnce {
  readonly values: Title['values'];
  readonly own: Pick<Title, 'shift' | 'edge' | 'moments' | 'credits' | 'caption'>;
  readonly editionId: string;
  readonly compiled: CompiledTitle;
}

/** What of a title its layout follows from besides its values. */
function ownOf({ shift, edge, moments, credits, caption }: Title): CompiledOnce['own'] {
  return { shift, edge, moments, credits, caption };
}

// The titles near the playhead, and then some.
const MOST_KEPT = 60;

/** A caption is laid out below to know whether it goes above. */
const keyOf = ({ id, caption }: Title): string => (caption?.atTop === true ? `${id} above` : id);

/** Layouts of titles that were asked for last, for one format and set of pictures. */
class LayoutKeeper {
  private readonly byTitle = new Map<string, CompiledOnce>();

  find(title: Title, values: Title['values']): CompiledTitle | undefined {
    const kept = this.byTitle.get(keyOf(title));
    if (kept?.editionId !== title.editionId) return undefined;
    const same = sameValue(kept.own, ownOf(title)) && sameValue(kept.values, values);
    return same ? kept.compiled : undefined;
  }

  keep(title: Title, values: Title['values'], compiled: CompiledTitle): void {
    const [oldest] = this.byTitle.keys();
    if (this.byTitle.size >= MOST_KEPT && oldest !== undefined) this.byTitle.delete(oldest);
    this.byTitle.set(keyOf(title), {
      values,
      own: ownOf(title),
      editionId: title.editionId,
      compiled,
    });
  }
}

/** Lays titles out when they are first seen, and again only when their words, place or edition change. */
export function useTitleCompiler(
  format: FrameFormat,
  fonts: FontLibrary | null,
  seen: readonly Title[],
): TitleCompiler {
  const { editions, ui } = useDesk();
  const deliveryId = useStore(ui, (state) => state.deliveryId);
  const plan = usePlan();
  const house = useHouse();
  const language = deliveryLanguage(plan, deliveryId, house);
  const shownValues = useShownValues();
  const wanted = seen.flatMap((title) => {
    const edition = editions.get(title.editionId);
    if (edition === undefined) return [];
    const values = shownValues(title);
    return picturesOf(titleTemplate(edition.document, title, values), { format, values });
  });
  const pictures = usePictures([...new Set(wanted)]);
  const keeper = useKeeper(format, fonts, pictures, language);
  return useMemo(
    () => (title) => {
      const edition = editions.get(title.editionId);
      if (fonts === null || edition === undefined) return null;
      const values = shownValues(title);
      const known = keeper.find(title, values);
      if (known !== undefined) return known;
      const own = title.caption?.language ?? language;
      const compiled = layOutTitle(title, edition.document, values, format, fonts, pictures, own);
      keeper.keep(title, values, compiled);
      return compiled;
    },
    [keeper, format, fonts, editions, pictures, language, shownValues],
  );
}

function useKeeper(
  format: FrameFormat,
  fonts: FontLibrary | null,
  pictures: PictureSizes,
  language: string,
): LayoutKeeper {
  const [kept, setKept] = useState(() => ({ format, fonts, pictures, language, keeper: new LayoutKeeper() }));
  const same = kept.format === format && kept.fonts === fonts && kept.language === language;
  if (same && kept.pictures === pictures) return kept.keeper;
  const next = { format, fonts, pictures, language, keeper: new LayoutKeeper() };
  setKept(next);
  return next.keeper;
}
