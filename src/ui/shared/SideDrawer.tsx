'use client';
import { useEffect, useId, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { classes } from './classes';

interface Props {
  readonly label: string;
  readonly side: 'left' | 'right';
  /** In windows narrower than that it is folded into a drawer. */
  readonly below: '1000px' | '760px';
  readonly className: string;
  readonly children: ReactNode;
}

// Written out whole, since the style sheet is made of what stands in the source.
const NARROW = {
  '1000px': {
    tab: 'max-[1000px]:grid',
    shut: 'max-[1000px]:hidden',
    drawn: 'max-[1000px]:absolute max-[1000px]:inset-y-0 max-[1000px]:z-30 max-[1000px]:shadow-2xl',
    left: 'max-[1000px]:left-full',
    right: 'max-[1000px]:right-full',
  },
  '760px': {
    tab: 'max-[760px]:grid',
    shut: 'max-[760px]:hidden',
    drawn: 'max-[760px]:absolute max-[760px]:inset-y-0 max-[760px]:z-30 max-[760px]:shadow-2xl',
    left: 'max-[760px]:left-full',
    right: 'max-[760px]:right-full',
  },
} as const;

/** A panel beside the work; where there is no room for it, a drawer over the work that a tab opens and Escape shuts. */
export function SideDrawer({ label, side, below, className, children }: Props) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const panel = useRef<HTMLElement>(null);
  const tab = useRef<HTMLButtonElement>(null);
  const css = NARROW[below];
  useEffect(() => {
    if (open) panel.current?.focus();
  }, [open]);
  return (
    <div className={classes('relative flex shrink-0', side === 'left' ? '' : 'flex-row-reverse')}>
      <button
        ref={tab}
        type="button"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen((now) => !now)}
        className={classes(
          'hidden w-8 place-items-center border-line bg-card py-3 font-semibold [writing-mode:vertical-rl] hover:bg-leaf-wash',
          side === 'left' ? 'border-r' : 'border-l',
          open ? 'bg-leaf-wash' : '',
          css.tab,
        )}
      >
        {label}
      </button>
      <aside
        ref={panel}
        id={id}
        tabIndex={-1}
        aria-label={label}
        onKeyDown={(event) => {
          // What is open within it is shut first.
          if (event.key !== 'Escape' || event.defaultPrevented || !open) return;
          // There is room for it again, so that there is nothing to shut.
          if (tab.current?.offsetParent === null) return;
          event.stopPropagation();
          setOpen(false);
          tab.current?.focus();
        }}
        className={classes('outline-none', className, open ? `${css.drawn} ${css[side]}` : css.shut)}
      >
        {children}
      </aside>
    </div>
  );
}
