'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { classes } from './classes';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly width?: 'narrow' | 'wide' | 'widest';
  /** What stands at the foot: the ways on. */
  readonly foot?: ReactNode;
  readonly children: ReactNode;
}

const WIDTHS = { narrow: 'max-w-lg', wide: 'max-w-3xl', widest: 'max-w-6xl' };

/** A screen that lies over another; Escape leaves it. Its middle scrolls, its foot stays in view. */
export function Modal({ title, open, onClose, width = 'narrow', foot, children }: Props) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel
          className={classes(
            'flex max-h-[96dvh] w-full flex-col rounded-xl border border-line-strong bg-card p-5',
            WIDTHS[width],
          )}
        >
          <DialogTitle className="font-serif text-[18px] font-semibold">{title}</DialogTitle>
          <div className="-mx-1 mt-3 min-h-0 flex-1 overflow-y-auto px-1 py-0.5">{children}</div>
          {foot !== undefined && <div className="flex items-center justify-end gap-2 pt-4">{foot}</div>}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
