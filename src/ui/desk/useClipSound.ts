'use client';
import { useEffect, useRef } from 'react';
import type { Clip } from '@/core/model/project';
import { spanAt } from '@/core/project/lanes';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds } from '@/core/time/rates';
import type { Player } from '../picture/usePlayer';
import { SPEECH, SPEECH_SECONDS } from '../shared/sound/speech';
import { useSoundUrl } from '../shared/sound/useSoundUrl';
import { soundOfClip } from './clipSound';

// Sound that is further off than this is put right; less nobody hears, and putting it right clicks.
const MOST_OFF_SECONDS = 0.12;
const SCRUB_MS = 90;

interface ClipSoundOptions {
  readonly on: boolean;
  /** Whether stand-in pictures are spoken over. */
  readonly speaks: boolean;
}

/**
 * The sound of the clip under the playhead: along while it plays, a short piece of it where it is moved by hand. Silent for
 * stills and videos without sound, for stand-ins unless they are spoken over, and when it is switched off.
 */
export function useClipSound(
  player: Player,
  clips: readonly Clip[],
  rate: FrameRate,
  { on, speaks }: ClipSoundOptions,
): void {
  const sound = useRef<HTMLAudioElement | null>(null);
  const stop = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const { frame, playing } = player;
  const clip = spanAt(clips, frame);
  const source = on && clip !== undefined ? soundOfClip(clip.picture, speaks) : null;
  const into = clip === undefined ? 0 : frameToSeconds(frame - clip.startFrame + clip.sourceStartFrame, rate);
  const seconds = source === SPEECH ? into % SPEECH_SECONDS : into;
  const address = useSoundUrl(source);
  const lastFrame = useRef(frame);
  useEffect(() => {
    const isMoved = lastFrame.current !== frame;
    lastFrame.current = frame;
    // Nothing sounds because a desk was opened, another sheet is shown or a sound has come.
    if (address === null || (!playing && !isMoved)) {
      sound.current?.pause();
      return;
    }
    sound.current ??= new Audio();
    const element = sound.current;
    if (!element.src.endsWith(address)) element.src = address;
    if (Math.abs(element.currentTime - seconds) > MOST_OFF_SECONDS) element.currentTime = seconds;
    // A browser that has not been touched yet plays nothing; so does a file without sound.
    if (element.paused) void element.play().catch(() => undefined);
    clearTimeout(stop.current);
    if (!playing) stop.current = setTimeout(() => element.pause(), SCRUB_MS);
  }, [address, frame, seconds, playing]);
  useEffect(
    () => () => {
      clearTimeout(stop.current);
      sound.current?.pause();
      sound.current?.removeAttribute('src');
    },
    [],
  );
}
