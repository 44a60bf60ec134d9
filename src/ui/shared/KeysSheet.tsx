'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { QuestionMarkCircleIcon } from '@heroicons/react/24/outline';
import { memo, useState } from 'react';
import { Button } from './Button';
import { useKeys } from './useKeys';

const KEYS = [
  ['Space', 'Play or stop'],
  [
    '[ and ]',
    'To the start or end of in, hold and out in turn; on the desk to the next edge of a title or clip, or marker',
  ],
  [', and .', 'A frame back or on; with Shift a second'],
  [
    'Arrows',
    'Move the chosen layer 1 u, with Shift 10 u; on the desk the chosen titles a frame, with Shift a second',
  ],
  ['Enter', 'Type into the chosen text'],
  ['Delete', 'Remove what is chosen'],
  ['M', 'Set a mark at the playhead; tap along while it plays'],
  ['G', 'Show or hide the safe lines'],
  ['F', 'To the next format or delivery'],
  ['T', 'On the desk: a new title'],
  ['D', 'On the desk: copies of the chosen titles; in the sheet Ctrl or Cmd Shift D'],
  ['I and O', 'On the desk: mark where a range begins and ends'],
  ['C', 'On the desk: cut the clip at the playhead'],
  ['R', 'On the desk: the next row of the chosen list comes at the playhead; tap along while it plays'],
  ['Q', 'On the desk: quiet places for the chosen title'],
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
  ['Ctrl or Cmd + F', 'On the desk: find and replace'],
  ['Ctrl or Cmd + Z', 'Undo; with Shift, or Y instead, redo'],
  ['Escape', 'Leave a text, a drag or a sheet'],
  ['?', 'This sheet'],
];

/** The sheet of keys, behind `?`. */
export const KeysSheet = memo(function KeysSheet() {
  const [open, setOpen] = useState(false);
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
          <DialogPanel className="w-full max-w-md rounded-xl border border-line-strong bg-card p-5">
            <DialogTitle className="font-serif text-[18px] font-semibold">Keys</DialogTitle>
            <dl className="mt-3 grid grid-cols-[9rem_1fr] gap-y-2">
              {KEYS.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="font-mono text-[12.5px] font-semibold">{key}</dt>
                  <dd className="text-soft">{does}</dd>
                </div>
              ))}
            </dl>
            <div className="mt-4 flex justify-end">
              <Button onClick={() => setOpen(false)}>Close</Button>
            </div>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
});
