'use client';
import { useEffect, useRef } from 'react';
import { toast } from 'sonner';
import type { TakenSound } from '@/contract/assets';
import type { TemplateSound } from '@/core/model/template';
import { wordsOf } from '../../shared/api';
import { FilePicker } from '../../shared/FilePicker';
import { SelectBox } from '../../shared/SelectBox';
import { SPEECH } from '../../shared/sound/speech';
import { useSoundUrl } from '../../shared/sound/useSoundUrl';
import { CancelledError, sendFile } from '../../shared/uploads';
import { useApply, useBench, useTemplatePart } from '../state/benchStore';
import { soundFileOf } from './soundFileOf';

interface Props {
  readonly playing: boolean;
  /** How fast it plays, against its own pace. */
  readonly speed: number;
}

// A sound that has run this far from the picture is put right.
const DRIFT_SECONDS = 0.15;
const LONG_MS = 12_000;
const STAND_IN: TemplateSound = { source: SPEECH, name: 'Speech' };

/** A sound that plays with the title, to tap marks along with: the talking stand-in, or a file that stays with the template. */
export function SoundMenu({ playing, speed }: Props) {
  const sound = useTemplatePart((template) => template.sound);
  const apply = useApply();
  const file = useRef<HTMLInputElement>(null);
  const url = useSoundUrl(soundFileOf(sound));
  const audio = usePlayedAlong(url, playing, speed);
  const keep = (next: TemplateSound | undefined): void =>
    apply(({ sound: _, ...rest }) => (next === undefined ? rest : { ...rest, sound: next }));
  const send = async (picked: File): Promise<void> => {
    try {
      const { id, name } = await sendFile<TakenSound>('sound', picked);
      keep({ source: `media:${id}`, name });
    } catch (error) {
      if (!(error instanceof CancelledError)) toast.error(wordsOf(error), { duration: LONG_MS });
    }
  };
  const choose = (value: string): void => {
    if (value === 'file') file.current?.click();
    else if (value === 'none') keep(undefined);
    else if (value === SPEECH) keep(STAND_IN);
  };
  return (
    <span
      className="w-32 shrink-0"
      title="Plays here only, to set times by: rendered files have no sound of it"
    >
      <SelectBox
        label="Sound that plays along"
        value={sound === undefined ? 'none' : 'now'}
        choices={[
          { value: 'none', label: 'No sound' },
          ...(sound === undefined ? [] : [{ value: 'now', label: sound.name }]),
          { value: SPEECH, label: 'Speech stand-in' },
          { value: 'file', label: 'A file…' },
        ]}
        onChange={choose}
      />
      <FilePicker input={file} label="A sound file" accept="audio/*" onPick={(picked) => void send(picked)} />
      <audio
        ref={audio}
        src={url ?? undefined}
        onError={() => url !== null && toast.error(`“${sound?.name}” cannot be played here.`)}
      />
    </span>
  );
}

/** A sound that keeps to the playhead while the title plays. */
function usePlayedAlong(url: string | null, playing: boolean, speed: number) {
  const { playhead } = useBench();
  const audio = useRef<HTMLAudioElement>(null);
  useEffect(() => {
    const element = audio.current;
    if (element === null || url === null) return;
    element.playbackRate = speed;
    if (!playing) {
      element.pause();
      return;
    }
    const follow = (): void => {
      const { seconds } = playhead.getState();
      // What is over is not begun anew while the title goes on.
      if (seconds > element.duration) return element.pause();
      const drift = Math.abs(element.currentTime - seconds);
      if (!element.paused && drift <= DRIFT_SECONDS * Math.max(1, speed)) return;
      element.currentTime = seconds;
      // Where nothing can be heard the picture plays on without it.
      element.play().catch(() => undefined);
    };
    follow();
    return playhead.subscribe(follow);
  }, [playing, playhead, url, speed]);
  return audio;
}
