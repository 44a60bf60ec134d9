'use client';
import dynamic from 'next/dynamic';
import { useEffect } from 'react';

/*
 * What a desk does not show as it opens: the other two sheets and what lies over the desk. It is fetched when it is first
 * asked for, or once the desk has stood for a while, whichever comes first.
 */
const captions = () => import('./captions/CaptionParts');
const credits = () => import('./credits/CreditParts');
const dialogs = () => import('./dialogs/DeskDialogs');
const sending = () => import('./send/SendDialog');

export const CaptionSheet = dynamic(() => captions().then((part) => part.CaptionSheet), { ssr: false });
export const CaptionTools = dynamic(() => captions().then((part) => part.CaptionTools), { ssr: false });
export const CueCard = dynamic(() => captions().then((part) => part.CueCard), { ssr: false });
export const CaptionPace = dynamic(() => captions().then((part) => part.CaptionPace), { ssr: false });
export const CreditSheet = dynamic(() => credits().then((part) => part.CreditSheet), { ssr: false });
export const CreditTools = dynamic(() => credits().then((part) => part.CreditTools), { ssr: false });
export const RollPanel = dynamic(() => credits().then((part) => part.RollPanel), { ssr: false });
export const DeskDialogs = dynamic(() => dialogs().then((part) => part.DeskDialogs), { ssr: false });

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
