'use client';
import { useSyncExternalStore } from 'react';

// Where the theme is kept in this browser; public/early.js reads it before the first paint.
const THEME_KEY = 'gilder-theme';

export type Theme = 'daylight' | 'lamplight';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  // Another tab or the system changed it: this page follows.
  const follow = (): void => {
    document.documentElement.dataset.theme = readTheme();
    listener();
  };
  listeners.add(listener);
  window.addEventListener('storage', follow);
  systemIsDark().addEventListener('change', follow);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', follow);
    systemIsDark().removeEventListener('change', follow);
  };
}

/** What was chosen here, else what the system has. */
function readTheme(): Theme {
  const kept = localStorage.getItem(THEME_KEY);
  if (kept === 'lamplight' || kept === 'daylight') return kept;
  return systemIsDark().matches ? 'lamplight' : 'daylight';
}

const systemIsDark = (): MediaQueryList => window.matchMedia('(prefers-color-scheme: dark)');

function setTheme(theme: Theme): void {
  localStorage.setItem(THEME_KEY, theme);
  document.documentElement.dataset.theme = theme;
  for (const listener of listeners) listener();
}

/** The theme, kept in this browser, and how to change it. */
export function useTheme(): [Theme, (theme: Theme) => void] {
  return [useSyncExternalStore(subscribe, readTheme, () => 'daylight' as const), setTheme];
}
