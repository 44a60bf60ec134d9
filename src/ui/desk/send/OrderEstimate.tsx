'use client';
import { useEffect, useState } from 'react';
import type { JobOrder, OrderPreview } from '@/contract/jobs';
import { bytesToWords } from '@/core/kit/bytes';
import { ask } from '../../shared/api';
import { classes } from '../../shared/classes';
import { counted } from '../../shared/counted';

// Choices are often made one after the other.
const ASK_AFTER_MS = 250;

/**
 * What orders would come to, as the press knows it; null while it is not known. `flush` saves what was typed, so that it
 * is looked at as it is.
 */
export function useOrderPreview(
  orders: readonly JobOrder[],
  flush: () => Promise<void>,
): OrderPreview | null {
  const [preview, setPreview] = useState<OrderPreview | null>(null);
  const asked = JSON.stringify({ orders });
  const nothing = orders.length === 0;
  useEffect(() => {
    if (nothing) return;
    let stale = false;
    const timer = setTimeout(() => {
      const body: unknown = JSON.parse(asked);
      flush()
        .then(() => ask<OrderPreview>('orders/preview', { method: 'POST', body }))
        // An order that cannot be made says so when it is sent.
        .then((found) => !stale && setPreview(found))
        .catch(() => !stale && setPreview(null));
    }, ASK_AFTER_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [asked, nothing, flush]);
  return nothing ? null : preview;
}

/** What of the files is there already, how long the rest takes, and its room. */
export function OrderEstimate({ preview }: { readonly preview: OrderPreview | null }) {
  if (preview === null) return <p className="min-h-10" />;
  const tight = preview.bytes !== null && preview.bytes > preview.roomBytes;
  return (
    <p role="status" className={classes('min-h-10', tight && 'text-stop-ink')}>
      {estimateWords(preview)}
    </p>
  );
}

/** An estimate in a sentence or two, with what it is known from. */
export function estimateWords({
  files,
  reused,
  seconds,
  bytes,
  basis,
  roomBytes,
}: Omit<OrderPreview, 'names' | 'folders' | 'alike'>): string {
  if (reused === files)
    return `${files === 1 ? 'It is' : 'All of them are'} there already and will be taken as made.`;
  const taken = reused === 0 ? '' : `${counted(reused, 'file is', 'files are')} there already. `;
  if (seconds === null || bytes === null)
    return `${taken}How long ${reused === 0 ? 'it' : 'the rest'} takes is not known yet: no file of ${basis === 0 ? 'this kind' : 'one of these kinds'} was made here.`;
  const time = seconds < 90 ? `${Math.max(1, Math.round(seconds))} s` : `${Math.round(seconds / 60)} min`;
  const rest = reused === 0 ? 'Takes' : 'The rest takes';
  const room = bytes > roomBytes ? ` There is room for ${bytesToWords(roomBytes)} only.` : '';
  return `${taken}${rest} about ${time} and ${bytesToWords(bytes)}, by ${counted(basis, 'file')} made here.${room}`;
}
