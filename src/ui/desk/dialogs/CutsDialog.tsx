'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { InputError } from '@/core/kit/inputError';
import type { CutList } from '@/core/formats/cutList';
import { edlToCutList } from '@/core/formats/edl/edl';
import { otioToCutList } from '@/core/formats/otio/otio';
import { cutListToClips, withMarkers } from '@/core/project/cutListToClips';
import type { KnownPicture } from '@/core/project/pictureMatch';
import { applyRecut, planRecut } from '@/core/project/recut';
import type { Clock } from '@/core/time/clock';
import { clockOf, frameToTimecode, lengthToTimecode } from '@/core/time/clock';
import { sameValue } from '@/core/kit/sameValue';
import { Button } from '../../shared/Button';
import { Modal } from '../../shared/Modal';
import { useApplyWork, useClips, useClock, useDesk, useTitles } from '../deskContext';
import { keptVideos } from '../media';
import { RecutTitles } from './RecutTitles';
import { counted } from '../../shared/counted';

const LARGEST_BYTES = 8 * 1024 * 1024;

interface ReadList {
  readonly list: CutList | null;
  readonly media: readonly KnownPicture[];
  readonly problem: string;
}

/** Cuts and markers from an EDL or an OTIO file: shown first, with what becomes of the titles, then in place of the clips. */
export function CutsDialog({ onClose }: { readonly onClose: () => void }) {
  const { rate } = useDesk();
  const clock = useClock();
  const clips = useClips();
  const titles = useTitles();
  const [adopts, setAdopts] = useState(true);
  const apply = useApplyWork();
  const [read, setRead] = useState<ReadList>({ list: null, media: [], problem: '' });
  const [chosen, setChosen] = useState<ReadonlyMap<string, 'along' | 'stay'>>(new Map());
  const take = async ([file]: readonly File[]): Promise<void> => {
    if (file === undefined) return;
    try {
      if (file.size > LARGEST_BYTES)
        throw InputError.of(`File “${file.name}”`, 'at most 8 MB', `${file.size} bytes`);
      const text = await file.text();
      const list = /^\s*\{/.test(text) ? otioToCutList(text, clock) : edlToCutList(text, clock);
      setRead({ list, media: [], problem: '' });
      // The list is shown at once; what was brought in before fits a moment later.
      void keptVideos(clock).then(
        (media) => setRead((now) => (now.list === list ? { ...now, media } : now)),
        () => undefined,
      );
      setChosen(new Map());
      // A project that still counts from nothing takes over what its cuts are counted by.
      setAdopts(clock.startFrame === 0);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setRead({ list: null, media: [], problem: error.message });
    }
  };
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    multiple: false,
  });
  const said = read.list?.clock ?? null;
  const isOther = said !== null && !sameValue(clockOf(rate, said), clock);
  const adopted = isOther && adopts ? said : null;
  const next = useMemo(
    () =>
      read.list === null ? null : cutListToClips(read.list, { clips }, read.media, rate, () => nanoid(12)),
    [read, clips, rate],
  );
  const recut = useMemo(
    () => (next === null ? [] : planRecut({ titles, clips }, next.clips)),
    [next, titles, clips],
  );
  const bringIn = (): void => {
    const { list } = read;
    if (list === null || next === null) return;
    apply((work) => {
      // What another desk changed meanwhile counts: titles are placed by what is there now.
      const placed = applyRecut(work, next.clips, planRecut(work, next.clips), chosen);
      const marked = withMarkers(placed, list, () => nanoid(12));
      return adopted === null ? marked : { ...marked, plan: { ...marked.plan, clock: adopted } };
    });
    onClose();
  };
  const shownBy = adopted === null ? clock : clockOf(rate, adopted);
  return (
    <Modal
      title="Cuts from a file"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">
            {read.list !== null && clips.length > 0 ? 'They take the place of the clips on the strip.' : ''}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={read.list === null} onClick={bringIn}>
            {read.list === null ? 'Import' : `Import ${counted(read.list.clips.length, 'clip')}`}
          </Button>
        </>
      }
    >
      <div
        {...getRootProps({
          className: `cursor-pointer rounded-lg border border-dashed px-4 py-6 text-center ${isDragActive ? 'border-leaf bg-leaf-wash' : 'border-line-strong bg-field'}`,
        })}
      >
        <input {...getInputProps({ 'aria-label': 'Cut list file' })} />
        Drop an EDL (CMX 3600) or an OpenTimelineIO file here, or click to pick one.
      </div>
      {read.problem !== '' && (
        <p role="alert" className="mt-3 whitespace-pre-line text-stop-ink">
          {read.problem} Nothing was changed.
        </p>
      )}
      {isOther && (
        <label className="mt-3 flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-leaf"
            checked={adopts}
            onChange={(event) => setAdopts(event.target.checked)}
          />
          {`Start the project at ${frameToTimecode(0, clockOf(rate, said))}, as the file does`}
        </label>
      )}
      {read.list !== null && next !== null && (
        <>
          <CutPreview list={{ ...read.list, notes: [...read.list.notes, ...next.notes] }} clock={shownBy} />
          <RecutTitles
            plan={recut}
            chosen={chosen}
            clock={shownBy}
            onChoose={(id, way) => setChosen(new Map(chosen).set(id, way))}
          />
        </>
      )}
    </Modal>
  );
}

const MOST_SHOWN = 60;

function CutPreview({ list, clock }: { readonly list: CutList; readonly clock: Clock }) {
  return (
    <>
      <p className="pt-3 pb-2">
        {`${list.name === '' ? 'The list' : `“${list.name}”`} has ${counted(list.clips.length, 'clip')} and ${counted(list.markers.length, 'marker')}.`}
      </p>
      {list.notes.map((note) => (
        <p key={note} className="text-soft">
          {note}
        </p>
      ))}
      <ul className="mt-2 max-h-52 divide-y divide-line overflow-auto border-y border-line">
        {list.clips.slice(0, MOST_SHOWN).map((clip, i) => (
          <li key={i} className="flex gap-3 py-1">
            <span className="font-mono text-[12.5px]">{frameToTimecode(clip.startFrame, clock)}</span>
            <span className="font-mono text-[12.5px] text-soft">
              {lengthToTimecode(clip.lengthFrames, clock)}
            </span>
            <span className="truncate">{clip.name}</span>
          </li>
        ))}
      </ul>
      {list.clips.length > MOST_SHOWN && (
        <p className="pt-1 text-soft">and {list.clips.length - MOST_SHOWN} more</p>
      )}
    </>
  );
}
