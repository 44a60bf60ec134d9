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
  open: CreditTitle,
  format: FrameFormat,
  fonts: FontLibrary | null,
): CompiledTitle | null {
  const delivery = useDelivery();
  const shown = useMemo(() => titleIn(open.title, delivery.id), [open, delivery.id]);
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
  const delivery = useDelivery();
  // Laid out when a row is chosen, not at each letter that is typed.
  const seen = useMemo(() => (open === null ? [] : [open.title]), [open]);
  const compiler = useTitleCompiler(format, fonts, seen);
  const [rowId] = useDeskUi((ui) => ui.creditIds);
  const latest = useRef({ compiler, open, delivery });
  useEffect(() => {
    latest.current = { compiler, open, delivery };
  });
  useEffect(() => {
    const now = latest.current;
    const shown = now.open && titleIn(now.open.title, now.delivery.id);
    if (rowId === undefined || now.open === null || shown === null) return;
    const timing = stretchTiming(now.open.template.timing, shown.lengthFrames, rate);
    const seconds = now.compiler(shown)?.credits?.secondsOf(rowId, timing) ?? null;
    if (seconds !== null) onSeek(shown.startFrame + Math.round(seconds / timing.frameSeconds));
  }, [rowId, rate, onSeek]);
}
