'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { EllipsisHorizontalIcon, PlusIcon } from '@heroicons/react/24/outline';
import { nextToTap } from '@/core/captions/transcript';
import { Button } from '../../shared/Button';
import { SelectBox } from '../../shared/SelectBox';
import { useDesk } from '../deskContext';
import type { SheetFilter } from '../sheet/useSheetRows';
import { useTrack, useTrackCues, useTracks } from './captionContext';
import { useCueActions } from './useCueActions';

interface Props {
  readonly frame: number;
  readonly filter: SheetFilter;
  readonly onFilter: (filter: SheetFilter) => void;
}

/** What stands over the captions: their track, adding, reading and writing files, times. */
export function CaptionTools({ frame, filter, onFilter }: Props) {
  const { ui } = useDesk();
  const tracks = useTracks();
  const track = useTrack();
  const actions = useCueActions();
  if (track === null) return null;
  return (
    <>
      <span className="w-44 shrink-0">
        <SelectBox
          label="Caption track"
          value={track.id}
          onChange={(trackId) => ui.setState({ trackId, cueIds: [], caret: null })}
          choices={tracks.map(({ id, name }) => ({ value: id, label: name }))}
        />
      </span>
      <Button title="Add a caption at the playhead (N)" onClick={() => actions.add(frame)}>
        <PlusIcon className="h-4 w-4" /> Caption
      </Button>
      <Button onClick={() => ui.setState({ dialog: 'cueTimes' })}>Times…</Button>
      <Waiting />
      <span className="flex-1" />
      {filter.proof !== 'all' && (
        <Button onClick={() => onFilter({ ...filter, proof: 'all' })}>Only some ×</Button>
      )}
      <input
        type="search"
        aria-label="Find words or a speaker"
        placeholder="Find words"
        value={filter.words}
        onChange={(event) => onFilter({ ...filter, words: event.target.value })}
        className="h-8 w-28 min-w-0 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <CaptionMenu />
    </>
  );
}

/** How many cues wait to be tapped in, and how that is done. */
function Waiting() {
  const cues = useTrackCues();
  if (nextToTap(cues) === undefined) return null;
  const count = cues.filter(({ guessed }) => guessed).length;
  return (
    <span
      className="truncate text-leaf-ink"
      title="Play, and press K where each begins; held down, it ends where you let go"
    >
      {`${count} to tap in with K`}
    </span>
  );
}

function CaptionMenu() {
  const { ui } = useDesk();
  const hasCues = useTrackCues().length > 0;
  const item =
    'block w-full rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash data-disabled:text-faint';
  const act = (label: string, dialog: NonNullable<ReturnType<typeof ui.getState>['dialog']>, off = false) => (
    <MenuItem key={label} disabled={off}>
      <button type="button" className={item} onClick={() => ui.setState({ dialog })}>
        {label}
      </button>
    </MenuItem>
  );
  return (
    <Menu>
      <MenuButton
        aria-label="More for captions"
        className="grid h-8 w-8 shrink-0 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink"
      >
        <EllipsisHorizontalIcon className="h-5 w-5" />
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 6 }}
        className="z-40 w-64 rounded-xl border border-line-strong bg-card p-1"
      >
        {act('Read a caption file…', 'readCaptions')}
        {act('Write a caption file…', 'writeCaptions', !hasCues)}
        {act('Type a transcript…', 'transcript')}
        {act('Find and replace…', 'find')}
        {act('Caption tracks…', 'track')}
        {act('Deliveries…', 'deliveries')}
      </MenuItems>
    </Menu>
  );
}
