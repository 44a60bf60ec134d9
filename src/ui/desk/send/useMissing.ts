'use client';
import { useEffect, useState } from 'react';
import type { MissingOutputs } from '@/contract/jobs';
import { ask } from '../../shared/api';

/** What this machine cannot do of what could be sent; null while it is not known. */
export function useMissing(): MissingOutputs | null {
  const [missing, setMissing] = useState<MissingOutputs | null>(null);
  useEffect(() => {
    let open = true;
    ask<MissingOutputs>('orders/missing')
      .then((found) => open && setMissing(found))
      // What cannot be made says so when it is sent.
      .catch(() => undefined);
    return () => {
      open = false;
    };
  }, []);
  return missing;
}
