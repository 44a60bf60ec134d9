'use client';
import { useMemo } from 'react';
import type { Title } from '@/core/model/project';
import { fadeAt } from '@/core/project/deliver';
import { titleTemplate } from '@/core/project/titleTemplate';
import type { Reading } from '@/core/proof/readingOf';
import { readingOf } from '@/core/proof/readingOf';
import { useFonts } from '../picture/useFonts';
import { useHouse } from '../shared/useHouse';
import { useDeliveryValues, useDesk } from './deskContext';

/** The reading of a title as the shown delivery has it; null while fonts are loaded, and for one without its edition. */
export function useReading(): (title: Title) => Reading | null {
  const { editions, rate } = useDesk();
  const valuesOf = useDeliveryValues();
  const { reading: rules } = useHouse();
  const fonts = useFonts();
  return useMemo(
    () => (title) => {
      const document = editions.get(title.editionId)?.document;
      if (fonts === null || document === undefined) return null;
      const { lengthFrames } = title;
      const fades = title.fadeInFrames > 0 || title.fadeOutFrames > 0;
      const values = valuesOf(title);
      const asked = { values, lengthFrames, rate, rules };
      const at = (frame: number): number => fadeAt(title, frame);
      const own = titleTemplate(document, title, values);
      return readingOf(own, fades ? { ...asked, fadeAt: at } : asked, fonts);
    },
    [editions, fonts, rate, rules, valuesOf],
  );
}
