'use client';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { breakLines } from '@/core/captions/breakLines';
import { changeCues, markWords, mergeCues, splitCue } from '@/core/captions/editCues';
import { roomFor } from '@/core/captions/timeCues';
import type { Cue } from '@/core/model/captions';
import { newCue } from '@/core/model/captions';
import { frameToTimecode } from '@/core/time/clock';
import { useClock, useDesk } from '../deskContext';
import type { CueCaret } from '../deskUi';
import { useApplyCues, useCaptionRules, useTrack, useTrackCues } from './captionContext';

type Mark = Parameters<typeof markWords>[3];

/** Everything that is done to cues by a key or a button. */
export interface CueActions {
  change(ids: readonly string[], part: Partial<Cue>): void;
  /** Splits the cue where the caret is. */
  split(): void;
  /** Joins the chosen cues, or the chosen one with the next. */
  join(): void;
  breakLines(): void;
  /** Puts what is selected, or all of the words, into italics, out of them, or into a colour. */
  mark(mark: Mark): void;
  /** Puts signs of music or sound round the words. */
  enclose(open: string, close: string): void;
  remove(): void;
  /** Adds a cue at a frame, after what is there. */
  add(frame: number): void;
}

/** What can be done to the chosen cues of the track that is worked on. */
export function useCueActions(): CueActions {
  const { ui, rate } = useDesk();
  const clock = useClock();
  const apply = useApplyCues();
  const track = useTrack();
  const cues = useTrackCues();
  const rules = useCaptionRules();
  return useMemo<CueActions>(() => {
    const language = track?.language ?? 'und';
    const chosen = (): readonly Cue[] => {
      const ids = new Set(ui.getState().cueIds);
      return cues.filter(({ id }) => ids.has(id));
    };
    const choose = (cueIds: readonly string[], words: CueCaret | null = null): void =>
      ui.setState({ cueIds, ...(words === null ? {} : { caret: words }) });
    const each = (change: (cue: Cue) => Cue): void => {
      const ids = new Set(ui.getState().cueIds);
      if (ids.size > 0) apply((now) => changeCues(now, ids, change));
    };
    const caretIn = (cue: Cue): { readonly from: number; readonly to: number } => {
      const { caret } = ui.getState();
      return caret?.cueId === cue.id ? caret : { from: 0, to: 0 };
    };
    return {
      change: (ids, part) => apply((now) => changeCues(now, new Set(ids), (cue) => ({ ...cue, ...part }))),
      split() {
        const [cue] = chosen();
        const { caret } = ui.getState();
        if (cue === undefined) return;
        const at = caret?.cueId === cue.id ? caret.from : 0;
        const parts = splitCue(cue, at, nanoid(12));
        if (parts === null) {
          toast('Put the caret between two words of the cue, where the second one begins.');
          return;
        }
        apply((now) => now.flatMap((one) => (one.id === cue.id ? parts : [one])));
        choose([parts[1].id], { cueId: parts[1].id, from: 0, to: 0, wanted: true });
      },
      join() {
        const picked = chosen();
        const [first] = picked;
        if (first === undefined) return;
        const next = cues[cues.indexOf(first) + 1];
        const list = picked.length > 1 ? picked : next === undefined ? [] : [first, next];
        const joined = mergeCues(list, rules, language);
        if (joined === null) {
          toast('There is no cue after this one to join it with.');
          return;
        }
        const gone = new Set(list.slice(1).map(({ id }) => id));
        apply((now) =>
          now.flatMap((one) => (one.id === joined.id ? [joined] : gone.has(one.id) ? [] : [one])),
        );
        choose([joined.id]);
      },
      breakLines: () => each((cue) => ({ ...cue, words: breakLines(cue.words, rules, language) })),
      mark: (mark) =>
        each((cue) => ({ ...cue, words: markWords(cue.words, caretIn(cue).from, caretIn(cue).to, mark) })),
      enclose: (open, close) =>
        each((cue) => {
          const bare = cue.words.startsWith(open) && cue.words.endsWith(close);
          const words = bare
            ? cue.words.slice(open.length, -close.length).trim()
            : `${open}${cue.words}${close}`;
          return { ...cue, words };
        }),
      remove() {
        const ids = new Set(ui.getState().cueIds);
        if (ids.size === 0) return;
        const last = cues.findLastIndex(({ id }) => ids.has(id));
        const next =
          cues.slice(last + 1).find(({ id }) => !ids.has(id)) ?? cues.findLast(({ id }) => !ids.has(id));
        apply((now) => now.filter(({ id }) => !ids.has(id)));
        choose(next === undefined ? [] : [next.id]);
      },
      add(frame) {
        if (track === null) return;
        const room = roomFor(cues, frame, rules, rate);
        if (room === null) {
          toast(
            `There is a cue at ${frameToTimecode(frame, clock)} already. Move the playhead to where there is none.`,
          );
          return;
        }
        const cue = newCue({ id: nanoid(12), trackId: track.id, ...room });
        apply((now) => [...now, cue]);
        choose([cue.id], { cueId: cue.id, from: 0, to: 0, wanted: true });
      },
    };
  }, [ui, cues, track, rules, rate, clock, apply]);
}
