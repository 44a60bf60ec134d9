'use client';
import { useEffect, useRef, useState } from 'react';
import { FilePicker } from '../../shared/FilePicker';
import { SelectBox } from '../../shared/SelectBox';
import { useBench } from '../state/benchStore';

interface Props {
  readonly playing: boolean;
  /** How fast it plays, against its own pace. */
  readonly speed: number;
}

/** The sound of the talking stand-in, made by a worker so that nothing stops meanwhile. */
function speechUrl(): Promise<string> {
  const worker = new Worker(new URL('../../../workers/speechWorker.ts', import.meta.url));
  return new Promise((resolve) => {
    worker.addEventListener('message', ({ data }: MessageEvent<ArrayBuffer>) => {
      worker.terminate();
      resolve(URL.createObjectURL(new Blob([data], { type: 'audio/wav' })));
    });
    worker.postMessage('speak');
  });
}

// A sound that has run this far from the picture is put right.
const DRIFT_SECONDS = 0.15;

/** A sound that plays with the title, to tap marks along with: the talking stand-in, or a file of one's own. */
export function SoundMenu({ playing, speed }: Props) {
  const { playhead } = useBench();
  const audio = useRef<HTMLAudioElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const [sound, setSound] = useState<{ readonly name: string; readonly url: string } | null>(null);
  useEffect(() => () => void (sound !== null && URL.revokeObjectURL(sound.url)), [sound]);
  useEffect(() => {
    const element = audio.current;
    if (element === null || sound === null) return;
    element.playbackRate = speed;
    if (!playing) {
      element.pause();
      return;
    }
    const follow = (): void => {
      const { seconds } = playhead.getState();
      const drift = Math.abs(element.currentTime - seconds);
      if (!element.paused && drift <= DRIFT_SECONDS * Math.max(1, speed)) return;
      element.currentTime = seconds;
      // Where nothing can be heard the picture plays on without it.
      element.play().catch(() => undefined);
    };
    follow();
    return playhead.subscribe(follow);
  }, [playing, playhead, sound, speed]);
  const choose = (value: string): void => {
    if (value === 'file') file.current?.click();
    else if (value === 'none') setSound(null);
    else if (value === 'speech') void speechUrl().then((url) => setSound({ name: 'Speech', url }));
  };
  return (
    <span className="w-32 shrink-0">
      <SelectBox
        label="Sound that plays along"
        value={sound === null ? 'none' : 'now'}
        choices={[
          { value: 'none', label: 'No sound' },
          ...(sound === null ? [] : [{ value: 'now', label: sound.name }]),
          { value: 'speech', label: 'Speech stand-in' },
          { value: 'file', label: 'A file…' },
        ]}
        onChange={choose}
      />
      <FilePicker
        input={file}
        label="A sound file"
        accept="audio/*"
        onPick={(picked) => setSound({ name: picked.name, url: URL.createObjectURL(picked) })}
      />
      <audio ref={audio} src={sound?.url} />
    </span>
  );
}
