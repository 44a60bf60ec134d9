'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { FilmIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { useRef, useState } from 'react';
import type { Clip } from '@/core/model/project';
import { MISSING_PICTURE, newClip, PLAIN_PICTURE } from '@/core/model/project';
import { makeRoom } from '@/core/project/clips';
import { endOf } from '@/core/project/lanes';
import { withPicture } from '@/core/project/pictureMatch';
import { SCENES } from '@/core/scenes';
import type { Clock } from '@/core/time/clock';
import { secondsToNearestFrames } from '@/core/time/rates';
import { PICTURE_TYPES, sayRefused } from '../../shared/assets';
import { Segmented } from '../../shared/Segmented';
import { useClock, useDesk, useDeskUi } from '../deskContext';
import type { MediaFile } from '../media';
import { bringInMedia, knownPicture, VIDEO_TYPES } from '../media';

const SECONDS = 8;
const ITEM = 'block w-full rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash';

/**
 * Adds a clip behind the last one, or at the playhead when that is at a cut: a stand-in, a still, a video, a colour. With
 * a clip chosen it can give that one another picture instead.
 */
export function AddClip({ frame }: { readonly frame: number }) {
  const { store, ui, rate } = useDesk();
  const clock = useClock();
  const picker = useRef<HTMLInputElement>(null);
  const clipId = useDeskUi((state) => state.clipId);
  const [instead, setInstead] = useState(false);
  const putPlain = (picture: string, label: string): void =>
    put({ picture, label, fileName: label, seconds: SECONDS, endless: true, startTimecode: '' });
  const put = (media: MediaFile): void => {
    if (!instead || clipId === null) return add(media);
    store.getState().applyWork((work) => ({
      ...work,
      clips: work.clips.map((clip) => (clip.id === clipId ? withMedia(clip, media, clock) : clip)),
    }));
  };
  const add = ({ picture, label, seconds, endless }: MediaFile): void => {
    const lengthFrames = Math.max(1, secondsToNearestFrames(seconds, rate));
    const id = nanoid(12);
    store.getState().applyWork((work) => {
      const last = Math.max(0, ...work.clips.map(endOf));
      const atCut = work.clips.some((clip) => clip.startFrame === frame);
      const startFrame = atCut ? frame : last;
      const clip = newClip({
        id,
        picture,
        label,
        startFrame,
        lengthFrames,
        sourceLengthFrames: endless ? null : lengthFrames,
      });
      const room = makeRoom(work, { startFrame, lengthFrames }, 'ripple', () => nanoid(12));
      return { ...room, clips: [...room.clips, clip] };
    });
    ui.setState({ clipId: id, selection: [] });
  };
  const bringIn = async (files: readonly File[]): Promise<void> => {
    // All are sent at once; they are put down in the order in which they were chosen.
    const coming = files.map((file) => bringInMedia(file));
    coming.forEach((one) => one.catch(() => undefined));
    for (const one of coming) {
      try {
        put(await one);
      } catch (error) {
        sayRefused(error);
      }
    }
  };
  return (
    <>
      <Menu>
        <MenuButton className="inline-flex h-6 items-center gap-1 rounded px-1.5 text-[12px] font-semibold text-soft hover:bg-paper">
          <FilmIcon className="h-4 w-4" /> Add a clip
        </MenuButton>
        <MenuItems
          anchor={{ to: 'top start', gap: 6 }}
          className="z-40 max-h-80 w-60 rounded-xl border border-line-strong bg-card p-1"
        >
          {clipId !== null && (
            <div className="p-1.5">
              <Segmented
                label="What becomes of the picture"
                value={instead ? 'instead' : 'new'}
                onChange={(value) => setInstead(value === 'instead')}
                choices={[
                  { value: 'new', label: 'New clip' },
                  { value: 'instead', label: 'In the chosen one' },
                ]}
              />
            </div>
          )}
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => picker.current?.click()}>
              A still or a video…
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => ui.setState({ dialog: 'cuts' })}>
              Cuts from an EDL or OTIO file…
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => putPlain(PLAIN_PICTURE, 'Background')}>
              A plain background
            </button>
          </MenuItem>
          {SCENES.list.map((scene) => (
            <MenuItem key={scene.id}>
              <button type="button" className={ITEM} onClick={() => putPlain(scene.id, scene.label)}>
                Stand-in: {scene.label}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
      <input
        ref={picker}
        type="file"
        multiple
        hidden
        data-testid="clip-files"
        accept={`${PICTURE_TYPES},${VIDEO_TYPES}`}
        onChange={(event) => {
          void bringIn([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
    </>
  );
}

/** A clip with another picture, as long as it was. One whose picture was not here keeps the name that a cut list gave it. */
function withMedia(clip: Clip, media: MediaFile, clock: Clock): Clip {
  const next = withPicture(clip, knownPicture(media, clock));
  return clip.picture === MISSING_PICTURE ? next : { ...next, label: media.label };
}
