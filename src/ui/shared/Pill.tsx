import type { ReactNode } from 'react';
import { classes } from './classes';

interface Props {
  readonly tone: 'pass' | 'look' | 'stop' | 'unseen' | 'quiet';
  readonly children: ReactNode;
  readonly title?: string;
}

const TONES = {
  pass: 'bg-pass-wash text-pass',
  look: 'bg-leaf-wash text-leaf-ink',
  stop: 'bg-stop-wash text-stop-ink',
  unseen: 'bg-paper text-ink ring-1 ring-line-strong ring-inset',
  quiet: 'bg-paper text-soft',
};

/** A short finding. */
export function Pill({ tone, children, title }: Props) {
  return (
    <span
      title={title}
      className={classes(
        'inline-block min-w-0 max-w-full truncate rounded-full px-2.5 py-0.5 align-middle text-[12px] font-semibold',
        TONES[tone],
      )}
    >
      {children}
    </span>
  );
}
