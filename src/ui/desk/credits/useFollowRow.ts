'use client';
import { useEffect, useMemo, useRef } from 'react';
import type { FrameFormat } from '@/core/frame/formats';
import { titleIn } from '@/core/project/deliver';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { CompiledTitle } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { useDelivery, useDesk, useDeskUi } from '../deskContext';
import { useTitleCompiler } from '../useTitleCompiler';
import type { CreditTitle } from './creditContext';

/** A title with credits laid out as the shown delivery has it; null where it is left out, or fonts are not here yet. */
export function useCreditLayout(
  open: CreditTitle | null,
  format: FrameFormat,
  fonts: FontLibrary | null,
): CompiledTitle | null {
  const delivery = useDelivery();
  const shown = useMemo(() => open && titleIn(open.title, delivery.id), [open, delivery.id]);
  const seen = useMemo(() => (shown === null ? [] : [shown]), [shown]);
  const compiler = useTitleCompiler(format, fonts, seen);
  return useMemo(() => (shown === null ? null : compiler(shown)), [shown, compiler]);
}

/** The playhead goes to where the chosen row is seen, whenever another one is chosen. */
export function useFollowRow(
  open: CreditTitle | null,
  format: FrameFormat,
  fonts: FontLibrary | null,
  onSeek: (frame: number) => void,
): void {
  const { rate } = useDesk();
  const compiled = useCreditLayout(open, format, fonts);
  const [rowId] = useDeskUi((ui) => ui.creditIds);
  const latest = useRef({ compiled, open });
  useEffect(() => {
    latest.current = { compiled, open };
  });
  useEffect(() => {
    const { compiled: laid, open: now } = latest.current;
    if (rowId === undefined || laid === null || now === null) return;
    const timing = stretchTiming(now.template.timing, now.title.lengthFrames, rate);
    const seconds = laid.credits?.secondsOf(rowId, timing) ?? null;
    if (seconds !== null) onSeek(now.title.startFrame + Math.round(seconds / timing.frameSeconds));
  }, [rowId, rate, onSeek]);
}
