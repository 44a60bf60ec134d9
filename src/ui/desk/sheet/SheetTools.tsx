'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { EllipsisHorizontalIcon } from '@heroicons/react/24/outline';
import Link from 'next/link';
import { memo } from 'react';
import { writeCsv } from '@/core/formats/csv/csv';
import { cutListToEdl } from '@/core/formats/edl/edl';
import { cutListToOtio } from '@/core/formats/otio/otio';
import type { CutList } from '@/core/formats/cutList';
import { cueSheetRows } from '@/core/project/exportSheet';
import type { PictureNames } from '@/core/project/pictureNames';
import { NO_PICTURES } from '@/core/project/pictureNames';
import { Button } from '../../shared/Button';
import { saveFile } from '../../shared/saveFile';
import { AddTitle } from '../AddTitle';
import { picturesHere } from '../media';
import { newerEdition, useClock, useDesk, useTemplateOf, useTitles } from '../deskContext';
import type { SheetFilter } from './useSheetRows';

interface Props {
  readonly frame: number;
  readonly filter: SheetFilter;
  readonly onFilter: (filter: SheetFilter) => void;
}

const SHOWN_ONLY = {
  stop: 'to fix',
  look: 'to look at',
  unseen: 'not looked at',
  waiting: 'being looked at',
  pass: 'clear',
};

/** What stands over the cue sheet: adding, filling, what is new, and which rows are shown. */
export function SheetTools({ frame, filter, onFilter }: Props) {
  const { ui } = useDesk();
  return (
    <>
      <AddTitle frame={frame} />
      <Button onClick={() => ui.setState({ dialog: 'fill' })}>Fill from a sheet</Button>
      <NewEditions />
      <span className="flex-1" />
      <TemplateFilter filter={filter} onFilter={onFilter} />
      {filter.proof !== 'all' && (
        <Button onClick={() => onFilter({ ...filter, proof: 'all' })}>
          {`Only ${SHOWN_ONLY[filter.proof]} ×`}
        </Button>
      )}
      <input
        type="search"
        aria-label="Find a name or word"
        placeholder="Find a name or word"
        value={filter.words}
        onChange={(event) => onFilter({ ...filter, words: event.target.value })}
        className="h-8 w-40 min-w-16 max-[1180px]:w-28 max-[1180px]:max-w-40 max-[1180px]:grow rounded-lg border border-line-strong bg-field px-2.5"
      />
      <MoreMenu />
    </>
  );
}

function TemplateFilter({ filter, onFilter }: Omit<Props, 'frame'>) {
  const titles = useTitles();
  const templateOf = useTemplateOf();
  const names = [...new Set(titles.flatMap(({ editionId }) => templateOf(editionId)?.name ?? []))].sort();
  if (names.length < 2) return null;
  return (
    <select
      aria-label="Only titles of a template"
      value={filter.template}
      onChange={(event) => onFilter({ ...filter, template: event.target.value })}
      className="h-8 max-w-36 rounded-lg border border-line-strong bg-field px-1.5"
    >
      <option value="">All templates</option>
      {names.map((name) => (
        <option key={name}>{name}</option>
      ))}
    </select>
  );
}

/** Says when the designer has released newer editions; opens them side by side. */
function NewEditions() {
  const view = useDesk();
  const titles = useTitles();
  const count = titles.filter((title) => newerEdition(view, title) !== null).length;
  if (count === 0) return null;
  return (
    <button
      type="button"
      onClick={() => view.ui.setState({ dialog: 'editions' })}
      className="truncate rounded-lg bg-leaf-wash px-3 py-1.5 font-semibold text-leaf-ink"
    >
      {count === 1 ? 'Newer edition for 1 title' : `Newer editions for ${count} titles`}
    </button>
  );
}

const MoreMenu = memo(function MoreMenu() {
  const { ui, projectId } = useDesk();
  const exports = useExports();
  const item = 'block w-full rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash';
  const act = (label: string, onClick: () => void) => (
    <MenuItem key={label}>
      <button type="button" className={item} onClick={onClick}>
        {label}
      </button>
    </MenuItem>
  );
  return (
    <Menu>
      <MenuButton
        aria-label="More for the cue sheet"
        className="grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink"
      >
        <EllipsisHorizontalIcon className="h-5 w-5" />
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 6 }}
        className="z-40 w-64 rounded-xl border border-line-strong bg-card p-1"
      >
        {act('Find and replace…', () => ui.setState({ dialog: 'find' }))}
        {act('Export the cue sheet (CSV)', exports.csv)}
        {act('Export the cuts (EDL)', exports.edl)}
        {act('Export the cuts (OTIO)', exports.otio)}
        <MenuItem>
          <Link href={`/desk/${projectId}/proof`} target="_blank" className={item}>
            Proof sheet
          </Link>
        </MenuItem>
        {act('Project…', () => ui.setState({ dialog: 'project' }))}
        {act('Deliveries…', () => ui.setState({ dialog: 'deliveries' }))}
      </MenuItems>
    </Menu>
  );
});

function useExports() {
  const { store, settings } = useDesk();
  const clock = useClock();
  const templateOf = useTemplateOf();
  const cuts = (): CutList => {
    const { clips, plan } = store.getState();
    return {
      name: settings.name,
      clips: clips.map(({ label, startFrame, lengthFrames, sourceStartFrame }) => ({
        name: label,
        startFrame,
        lengthFrames,
        sourceStartFrame,
      })),
      markers: plan.markers,
      clock,
      notes: [],
    };
  };
  return {
    csv() {
      const save = (pictures: PictureNames): void => {
        const { headers, rows } = cueSheetRows(store.getState().titles, templateOf, clock, pictures);
        saveFile(`${settings.name}, cue sheet.csv`, writeCsv(headers, rows), 'text/csv');
      };
      // While the server is away pictures stand in it as documents call them.
      void picturesHere()
        .catch(() => NO_PICTURES)
        .then(save);
    },
    edl: () => saveFile(`${settings.name}.edl`, cutListToEdl(cuts(), clock), 'text/plain'),
    otio: () => saveFile(`${settings.name}.otio`, cutListToOtio(cuts(), clock), 'application/json'),
  };
}
