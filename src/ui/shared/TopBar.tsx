'use client';
import { MoonIcon, SunIcon } from '@heroicons/react/24/outline';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { memo } from 'react';
import type { ReactNode } from 'react';
import { classes } from './classes';
import { KeysSheet } from './KeysSheet';
import { useTheme } from './useTheme';

const PLACES = [
  { href: '/shelf', label: 'Shelf' },
  { href: '/bench', label: 'Bench' },
  { href: '/desk', label: 'Desk' },
  { href: '/press', label: 'Press' },
  { href: '/house', label: 'House' },
];

interface Props {
  /** What is being worked on. */
  readonly middle?: ReactNode;
  readonly actions?: ReactNode;
}

/** The bar across every screen: where you are, what you work on, and the next step. */
export function TopBar({ middle, actions }: Props) {
  const [theme, setTheme] = useTheme();
  const other = theme === 'lamplight' ? 'daylight' : 'lamplight';
  const says = other === 'lamplight' ? 'Dark theme' : 'Light theme';
  return (
    <header className="flex min-h-12 shrink-0 items-center gap-x-4 gap-y-1 max-[1180px]:flex-wrap border-b border-line bg-card px-3 py-1 max-[520px]:gap-x-2">
      <a
        href="#content"
        className="sr-only rounded-lg bg-ink font-semibold text-card focus:not-sr-only focus:absolute focus:z-50 focus:px-3 focus:py-1.5"
      >
        Skip to the work
      </a>
      <Places />
      <div className="flex min-w-0 flex-1 items-center gap-3 max-[1180px]:order-2 max-[1180px]:basis-52">
        {middle}
      </div>
      <div className="flex items-center gap-2 max-[1180px]:order-2 max-[1180px]:ml-auto max-[1180px]:flex-wrap">
        {actions}
      </div>
      {/* Where there is room for less, what is worked on has a row of its own. */}
      <span className="flex items-center gap-2 max-[1180px]:ml-auto">
        <button
          type="button"
          className="grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink"
          aria-label={says}
          title={says}
          onClick={() => setTheme(other)}
        >
          {theme === 'lamplight' ? <SunIcon className="h-5 w-5" /> : <MoonIcon className="h-5 w-5" />}
        </button>
        <KeysSheet />
      </span>
    </header>
  );
}

const Places = memo(function Places() {
  const path = usePathname();
  return (
    <>
      <Link
        href="/shelf"
        className="flex items-center gap-2 font-serif text-[20px] font-semibold"
        aria-label="Gilder, to the shelf"
      >
        <svg viewBox="0 0 20 20" className="h-5 w-5" aria-hidden="true">
          <path d="M10 1 19 10 10 19 1 10Z" className="fill-leaf" />
          <path d="M10 1 19 10 10 10Z" className="fill-leaf-light" />
        </svg>
        Gilder
      </Link>
      <nav aria-label="Places" className="flex flex-wrap">
        {PLACES.map(({ href, label }) => (
          <Link
            key={href}
            href={href}
            aria-current={path.startsWith(href) ? 'page' : undefined}
            className={classes(
              'rounded-full px-3 py-1.5',
              path.startsWith(href) ? 'bg-chosen font-semibold text-on-chosen' : 'text-soft hover:text-ink',
            )}
          >
            {label}
          </Link>
        ))}
      </nav>
    </>
  );
});
