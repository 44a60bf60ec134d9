'use client';
import { useRef, useState } from 'react';
import type { Clip } from '@/core/model/project';
import type { KnownPicture } from '@/core/project/pictureMatch';
import { findPicture, missingClips, relink, withPicture } from '@/core/project/pictureMatch';
import { frameToTimecode, lengthToTimecode } from '@/core/time/clock';
import { wordsOf } from '../../shared/api';
import { PICTURE_TYPES } from '../../shared/assets';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { useApplyWork, useClips, useClock } from '../deskContext';
import { bringInMedia, keptVideos, knownPicture, VIDEO_TYPES } from '../media';

/** Clips that lack one picture. */
interface Wanted {
  readonly key: string;
  readonly name: string;
  readonly clips: readonly Clip[];
}

const nameOf = ({ source, label }: Clip): string => source?.file || label || source?.reel || 'A clip';

function wantedOf(clips: readonly Clip[]): Wanted[] {
  const groups = new Map<string, Clip[]>();
  for (const clip of missingClips(clips))
    groups.set(nameOf(clip), [...(groups.get(nameOf(clip)) ?? []), clip]);
  return [...groups].map(([name, list]) => ({ key: name, name, clips: list }));
}

/** Looks for pictures that are not here: one by one, in a folder, or among what was brought in before. */
export function RelinkDialog({ onClose }: { readonly onClose: () => void }) {
  const clips = useClips();
  const clock = useClock();
  const apply = useApplyWork();
  const folder = useRef<HTMLInputElement>(null);
  const one = useRef<HTMLInputElement>(null);
  const [asked, setAsked] = useState<Wanted | null>(null);
  const [busy, setBusy] = useState('');
  const [said, setSaid] = useState<readonly string[]>([]);
  const wanted = wantedOf(clips);
  const attempt = async (what: string, work: () => Promise<readonly string[]>): Promise<void> => {
    setBusy(what);
    try {
      setSaid(await work());
    } catch (error) {
      setSaid([wordsOf(error)]);
    }
    setBusy('');
  };
  const link = (known: readonly KnownPicture[]): readonly string[] => {
    const { found, missing, outside } = relink(clips, known);
    // Reckoned anew at the moment of the change: another desk may have moved clips meanwhile.
    if (found > 0) apply((work) => ({ ...work, clips: relink(work.clips, known).clips }));
    return [
      found === 0 ? 'None of them was found.' : `${counted(found, 'clip has', 'clips have')} a picture now.`,
      ...(outside === 0
        ? []
        : [
            `${counted(outside, 'clip shows', 'clips show')} moments that the file does not have: is it the right one?`,
          ]),
      ...(missing === 0 ? [] : [`${counted(missing, 'clip is', 'clips are')} still without.`]),
    ];
  };
  const fromFolder = (files: readonly File[]): Promise<void> =>
    attempt('Bringing in what fits…', async () => {
      const names = files.map((file) => ({
        picture: file.name,
        name: file.name,
        firstFrame: null,
        lengthFrames: null,
      }));
      const fitting = new Set(
        wanted.flatMap(({ clips: list }) => {
          const found = findPicture({ name: list[0].label, ...list[0].source }, names);
          return found === undefined ? [] : [found.name];
        }),
      );
      const known: KnownPicture[] = [];
      for (const file of files)
        if (fitting.delete(file.name)) known.push(knownPicture(await bringInMedia(file), clock));
      return link(known);
    });
  const fromFile = (file: File, of: Wanted): Promise<void> =>
    attempt('Bringing it in…', async () => {
      const known = knownPicture(await bringInMedia(file), clock);
      const ids = new Set(of.clips.map(({ id }) => id));
      apply((work) => ({
        ...work,
        clips: work.clips.map((clip) => (ids.has(clip.id) ? withPicture(clip, known) : clip)),
      }));
      return [`${counted(of.clips.length, 'clip has', 'clips have')} a picture now.`];
    });
  return (
    <Modal
      title="Missing pictures"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span role="status" className="flex-1 text-soft">
            {busy === '' ? said.join(' ') : busy}
          </span>
          <Button onClick={onClose}>Close</Button>
        </>
      }
    >
      <div className="flex flex-wrap gap-2 pb-3">
        <Button disabled={busy !== '' || wanted.length === 0} onClick={() => folder.current?.click()}>
          Look in a folder…
        </Button>
        <Button
          disabled={busy !== '' || wanted.length === 0}
          onClick={() => void attempt('Looking…', async () => link(await keptVideos(clock)))}
        >
          Look among the videos that were brought in
        </Button>
      </div>
      {wanted.length === 0 && <p className="text-soft">Every clip has its picture.</p>}
      <ul className="divide-y divide-line border-y border-line">
        {wanted.map((of) => (
          <li key={of.key} className="flex items-center gap-3 py-2">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold">{of.name}</span>
              <span className="block truncate text-[12px] text-soft">{sayWhere(of, clock)}</span>
            </span>
            <Button
              disabled={busy !== ''}
              aria-label={`Choose the file of ${of.name}`}
              onClick={() => {
                setAsked(of);
                one.current?.click();
              }}
            >
              Choose the file…
            </Button>
          </li>
        ))}
      </ul>
      <input
        ref={folder}
        type="file"
        hidden
        multiple
        data-testid="relink-folder"
        {...{ webkitdirectory: '' }}
        onChange={(event) => {
          void fromFolder([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
      <input
        ref={one}
        type="file"
        hidden
        data-testid="relink-file"
        accept={`${PICTURE_TYPES},${VIDEO_TYPES}`}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file !== undefined && asked !== null) void fromFile(file, asked);
          event.target.value = '';
        }}
      />
    </Modal>
  );
}

function sayWhere({ clips }: Wanted, clock: Parameters<typeof frameToTimecode>[1]): string {
  const [first] = clips;
  const source = first.source === undefined ? '' : `, reel ${first.source.reel || 'not named'}`;
  const more = clips.length === 1 ? '' : ` and in ${counted(clips.length - 1, 'other clip')}`;
  return `at ${frameToTimecode(first.startFrame, clock)}, ${lengthToTimecode(first.lengthFrames, clock)}${source}${more}`;
}
