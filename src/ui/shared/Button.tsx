'use client';
import type { ButtonHTMLAttributes, ReactNode } from 'react';
import { classes } from './classes';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** `gold` is for the one next step on a screen. */
  readonly look?: 'plain' | 'gold' | 'quiet';
  readonly children: ReactNode;
}

const LOOKS = {
  plain: 'border border-line-strong bg-field hover:border-soft',
  gold: 'border gold hover:brightness-105',
  quiet: 'border border-transparent text-soft hover:text-ink hover:bg-paper',
};

/** A button 32 px high. */
export function Button({ look = 'plain', className, children, ...rest }: Props) {
  return (
    <button
      type="button"
      className={classes(
        'inline-flex h-8 shrink-0 items-center justify-center gap-1.5 rounded-lg px-3 font-semibold whitespace-nowrap',
        'disabled:cursor-not-allowed disabled:opacity-50',
        LOOKS[look],
        className,
      )}
      {...rest}
    >
      {children}
    </button>
  );
}
