'use client';
import { useEffect, useRef } from 'react';
import type { Clip } from '@/core/model/project';
import { spanAt } from '@/core/project/lanes';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds } from '@/core/time/rates';
import type { Player } from '../picture/usePlayer';

// Sound that is further off than this is put right; less nobody hears, and putting it right clicks.
const MOST_OFF_SECONDS = 0.12;
const SCRUB_MS = 90;

/**
 * The sound of the video under the playhead: along while it plays, a short piece of it where it is moved by hand. Silent
 * for stills, stand-ins and videos without sound, and when it is switched off.
 */
export function useClipSound(player: Player, clips: readonly Clip[], rate: FrameRate, on: boolean): void {
  const sound = useRef<HTMLAudioElement | null>(null);
  const stop = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const { frame, playing } = player;
  const clip = spanAt(clips, frame);
  const source = on && clip?.picture.startsWith('video:') === true ? clip.picture.slice('video:'.length) : '';
  const seconds =
    clip === undefined ? 0 : frameToSeconds(frame - clip.startFrame + clip.sourceStartFrame, rate);
  const first = useRef(true);
  useEffect(() => {
    // Nothing sounds because a desk was opened.
    if (first.current) {
      first.current = false;
      return;
    }
    if (source === '') {
      sound.current?.pause();
      return;
    }
    sound.current ??= new Audio();
    const element = sound.current;
    const address = `/api/media/${encodeURIComponent(source)}`;
    if (!element.src.endsWith(address)) element.src = address;
    if (Math.abs(element.currentTime - seconds) > MOST_OFF_SECONDS) element.currentTime = seconds;
    // A browser that has not been touched yet plays nothing; so does a file without sound.
    if (element.paused) void element.play().catch(() => undefined);
    clearTimeout(stop.current);
    if (!playing) stop.current = setTimeout(() => element.pause(), SCRUB_MS);
  }, [source, seconds, playing]);
  useEffect(
    () => () => {
      clearTimeout(stop.current);
      sound.current?.pause();
      sound.current?.removeAttribute('src');
    },
    [],
  );
}
