'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { QuestionMarkCircleIcon } from '@heroicons/react/24/outline';
import { usePathname } from 'next/navigation';
import { memo, useState } from 'react';
import { Button } from './Button';
import { useKeys } from './useKeys';

type Key = readonly [key: string, does: string];

interface KeysOf {
  readonly title: string;
  /** Where its screens begin; empty for every screen. */
  readonly path: string;
  readonly keys: readonly Key[];
}

const KEYS: readonly KeysOf[] = [
  {
    title: 'On the bench',
    path: '/bench/',
    keys: [
      ['[ and ]', 'To the next edge of in, hold or out, mark, or key or move of the chosen layers'],
      ['Arrows', 'Move the chosen layer 1 u, with Shift 10 u'],
      ['Enter', 'Type into the chosen text'],
      ['A', 'Add a layer'],
      ['Page Up, Page Down', 'Choose the layer above or below'],
      ['1 to 4', 'To the settings of type, place and motion, and to the card'],
      [
        'Ctrl or Cmd + C, X, V, D',
        'Copy, cut, paste, duplicate layers; with Alt, C and V copy and paste a look',
      ],
      ['Ctrl or Cmd + G', 'Group; with Shift take apart'],
      ['Ctrl or Cmd + A', 'Choose all layers'],
      ['Ctrl or Cmd + F', 'Find a layer by its name or words'],
      ['Alt + ↑ ↓', 'The chosen layers a step forward or backward; with Shift to the front or back'],
      ['L, H and S', 'Lock, hide, show only the chosen layers'],
      ['+, − and 0', 'Zoom in, out, and back to the room there is; Ctrl and arrows scroll'],
      ['Shift + click on keys', 'Several keys at once: drag moves them, with Alt scales them'],
      ['M', 'Set a mark at the playhead; tap along while it plays'],
      ['G', 'Show or hide the safe lines'],
      ['F', 'To the next format'],
    ],
  },
  {
    title: 'On the desk',
    path: '/desk/',
    keys: [
      ['[ and ]', 'To the next edge of a title or clip, or marker'],
      ['Arrows', 'Move the chosen titles a frame, with Shift a second'],
      ['T, D', 'A new title; copies of the chosen ones (in the sheet Ctrl or Cmd Shift D)'],
      ['I and O', 'Mark where a range begins and ends'],
      ['M', 'Set a marker at the playhead'],
      ['C', 'Cut the clip at the playhead'],
      ['R', 'The next row of the chosen list comes at the playhead; tap along while it plays'],
      ['Q', 'Clear areas for the chosen title'],
      ['F', 'To the next delivery'],
      ['Enter · Alt + ↑ ↓', 'In credits: the next row; this row one place up or down'],
      ['N', 'In captions: one more at the playhead; in credits: one more row'],
      [
        'K',
        'In captions: the next that waits, or the chosen one, comes at the playhead; held down it ends where it is let go',
      ],
      [
        'Ctrl or Cmd + Enter, J, I',
        'In a caption: split at the caret, join with the next, italics; Alt + L breaks its lines',
      ],
      ['Ctrl or Cmd + D', 'In the sheet: fill down; + Enter: this text in all chosen cells'],
      ['Alt + Enter', 'In the sheet: a new line within a cell'],
      ['Ctrl or Cmd + F', 'Find and replace'],
    ],
  },
  {
    title: 'Everywhere',
    path: '',
    keys: [
      ['Space', 'Play or stop'],
      [', and .', 'A frame back or on; with Shift a second'],
      ['Delete', 'Remove what is chosen'],
      ['Ctrl or Cmd + Z', 'Undo; with Shift, or Y instead, redo'],
      ['N', 'Among the templates of the bench a new one, among the projects of the desk a new one'],
      ['Escape', 'Leave a text or a sheet; take a drag back'],
      ['?', 'This sheet'],
    ],
  },
];

/** The sheet of keys, behind `?`. */
export const KeysSheet = memo(function KeysSheet() {
  const [open, setOpen] = useState(false);
  const path = usePathname();
  const isHere = (one: KeysOf): boolean => one.path !== '' && path.startsWith(one.path);
  const thisScreenFirst = KEYS.toSorted((a, b) => Number(isHere(b)) - Number(isHere(a)));
  useKeys('shift+?', () => setOpen(true), { useKey: true });
  return (
    <>
      <button
        type="button"
        aria-label="Keys"
        title="Keys (?)"
        className="grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink"
        onClick={() => setOpen(true)}
      >
        <QuestionMarkCircleIcon className="h-5 w-5" />
      </button>
      <Dialog open={open} onClose={setOpen} className="relative z-50">
        <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
        <div className="fixed inset-0 grid place-items-center p-4">
          <DialogPanel className="flex max-h-[calc(100dvh-2rem)] w-full max-w-lg flex-col rounded-xl border border-line-strong bg-card p-5">
            <DialogTitle className="font-serif text-[18px] font-semibold">Keys</DialogTitle>
            <div
              className="mt-1 min-h-0 overflow-y-auto"
              tabIndex={0}
              role="region"
              aria-label="Keys by screen"
            >
              {thisScreenFirst.map(({ title, keys }) => (
                <section key={title} aria-label={title}>
                  <h3 className="caps pt-3 pb-1.5">{title}</h3>
                  <dl className="grid grid-cols-[9.5rem_1fr] gap-y-1.5">
                    {keys.map(([key, does]) => (
                      <div key={key} className="contents">
                        <dt className="font-mono text-[12.5px] font-semibold">{key}</dt>
                        <dd className="text-soft">{does}</dd>
                      </div>
                    ))}
                  </dl>
                </section>
              ))}
            </div>
            <div className="mt-4 flex justify-end">
              <Button onClick={() => setOpen(false)}>Close</Button>
            </div>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
});
