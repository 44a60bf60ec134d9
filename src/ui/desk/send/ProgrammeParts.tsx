'use client';
import { useState } from 'react';
import type { JobOrder } from '@/contract/jobs';
import { MISSING_PICTURE } from '@/core/model/project';
import { counted } from '../../shared/counted';
import { SelectBox } from '../../shared/SelectBox';
import { Tick } from '../../shared/Tick';
import { useTrack, useTracks } from '../captions/captionContext';
import { useClips, useDeskUi } from '../deskContext';

import { CaptionFiles } from './CaptionFiles';

type ProgrammeChoice = NonNullable<JobOrder['programme']>;

/** What of a whole programme is painted: at first its titles, and the captions of the track that is worked on. */
export function useProgramme() {
  const sheet = useDeskUi((ui) => ui.sheet);
  const track = useTrack();
  const trackId = track?.id ?? null;
  return useState<ProgrammeChoice>({ titles: sheet === 'titles' || track === null, trackId });
}

interface PartsProps {
  /** Whether a kind of file is chosen that has the pictures in it. */
  readonly withPictures: boolean;
  readonly value: ProgrammeChoice;
  readonly onChange: (value: ProgrammeChoice) => void;
}

/** Which parts of a programme are painted. */
export function ProgrammeParts({ withPictures, value, onChange }: PartsProps) {
  const tracks = useTracks();
  const missing = useClips().filter(({ picture }) => picture === MISSING_PICTURE).length;
  return (
    <>
      <div className="mt-3 flex items-center gap-4">
        <Tick label="Titles" on={value.titles} onChange={(titles) => onChange({ ...value, titles })} />
        {withPictures && (
          <Tick
            label="Timecode and title numbers burnt in"
            on={value.burnIn === true}
            onChange={(burnIn) => onChange({ ...value, burnIn })}
          />
        )}
        <span className="flex flex-1 items-center gap-2">
          <span className="text-soft">Captions</span>
          <SelectBox
            label="Captions that are painted"
            value={value.trackId ?? ''}
            onChange={(id) =>
              onChange(id === '' ? { ...value, trackId: null, captionFiles: [] } : { ...value, trackId: id })
            }
            choices={[
              { value: '', label: 'None' },
              ...tracks.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        </span>
      </div>
      {value.trackId !== null && (
        <CaptionFiles
          trackId={value.trackId}
          chosen={value.captionFiles ?? []}
          onChange={(captionFiles) => onChange({ ...value, captionFiles: [...captionFiles] })}
        />
      )}
      {withPictures && missing > 0 && (
        <p role="status" className="mt-1 text-stop-ink">
          {`${counted(missing, 'clip has', 'clips have')} no picture here and will be grey.`}
        </p>
      )}
    </>
  );
}
