'use client';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import { cuesToFile } from '@/core/captions/cueFiles';
import { CAPTION_FORMATS } from '@/core/formats/captions';
import { Tick } from '../../shared/Tick';
import { useTracks } from '../captions/captionContext';
import { useClock, useDesk } from '../deskContext';

interface Props {
  readonly trackId: string;
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
}

/** In which formats captions go beside a video as files; what the chosen ones cannot hold is told. */
export function CaptionFiles({ trackId, chosen, onChange }: Props) {
  const { settings, rate, store } = useDesk();
  const clock = useClock();
  const track = useTracks().find(({ id }) => id === trackId);
  const cues = useStore(store, (state) => state.cues);
  const losses = useMemo(() => {
    const list = cuesToFile(
      cues.filter((cue) => cue.trackId === trackId),
      rate,
    );
    const options = { clock, language: track?.language ?? '', name: settings.name, date: '' };
    const byLoss = new Map<string, string[]>();
    for (const { label, losses: lost } of chosen.map((id) => CAPTION_FORMATS.get(id)))
      for (const loss of lost(list, options)) byLoss.set(loss, [...(byLoss.get(loss) ?? []), label]);
    return [...byLoss].map(([loss, labels]) => `${labels.join(', ')}: ${loss}`);
  }, [chosen, cues, trackId, rate, clock, track, settings]);
  return (
    <div className="mt-2">
      <div
        role="group"
        aria-label="Captions as files beside it"
        className="flex flex-wrap items-center gap-x-4 gap-y-1"
      >
        <span className="text-soft">Beside it</span>
        {CAPTION_FORMATS.list.map(({ id, label }) => (
          <Tick
            key={id}
            label={label}
            on={chosen.includes(id)}
            onChange={(on) => onChange(on ? [...chosen, id] : chosen.filter((one) => one !== id))}
          />
        ))}
      </div>
      <div role="status">
        {losses.map((loss) => (
          <p key={loss} className="pt-1 text-leaf-ink">
            {loss}
          </p>
        ))}
      </div>
    </div>
  );
}
