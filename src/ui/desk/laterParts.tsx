'use client';
import dynamic from 'next/dynamic';
import { useEffect } from 'react';
import type { ComponentType } from 'react';
import { LatePart } from '../shared/DoneBefore';
import type { DeskSheet } from './deskAddress';

/*
 * What a desk does not show as it opens: the sheets but the one that lies open, and what lies over the desk. It is
 * fetched when it is first asked for, or once the desk has stood for a while, whichever comes first.
 */
const captions = () => import('./captions/CaptionParts');
const credits = () => import('./credits/CreditParts');
const dialogs = () => import('./dialogs/DeskDialogs');
const sending = () => import('./send/SendDialog');

/** A part of the page that wakes once it is fetched, and keeps what was typed into it before. */
function late<P extends object>(fetchPart: () => Promise<ComponentType<P>>): ComponentType<P> {
  return dynamic(async () => {
    const Part = await fetchPart();
    return function Late(props: P) {
      return (
        <LatePart>
          <Part {...props} />
        </LatePart>
      );
    };
  });
}

export const CaptionSheet = late(() => captions().then((part) => part.CaptionSheet));
export const CaptionTools = late(() => captions().then((part) => part.CaptionTools));
export const CueCard = late(() => captions().then((part) => part.CueCard));
export const CaptionPace = late(() => captions().then((part) => part.CaptionPace));
export const CreditSheet = late(() => credits().then((part) => part.CreditSheet));
export const CreditTools = late(() => credits().then((part) => part.CreditTools));
export const RollPanel = late(() => credits().then((part) => part.RollPanel));
export const DeskDialogs = dynamic(() => dialogs().then((part) => part.DeskDialogs), { ssr: false });

/** Fetches what a sheet is made of, for when it is about to be opened. */
export function fetchSheet(sheet: DeskSheet): void {
  if (sheet === 'captions') void captions();
  if (sheet === 'credits') void credits();
}

const STANDS_MS = 3000;

/** Fetches what the desk does not show yet once it has stood for a while. */
export function useLaterParts(): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const fetchPart of [sending, dialogs, captions, credits]) void fetchPart();
    }, STANDS_MS);
    return () => clearTimeout(timer);
  }, []);
}
