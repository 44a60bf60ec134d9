'use client';
import { del, get, set } from 'idb-keyval';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { HouseRecord } from '@/contract/house';
import type { House } from '@/core/model/house';
import { mergeHouse } from '@/core/model/mergeHouse';
import { sameValue } from '@/core/kit/sameValue';

interface HouseDraft {
  /** What is in force. */
  readonly saved: HouseRecord;
  /** What was made of it here. */
  readonly house: House;
  change(change: Partial<House>): void;
  takeBack(): void;
  /** What is in force now; what was made here stays, put together with it. */
  catchUp(record: HouseRecord): void;
}

interface HouseInBrowser {
  readonly base: House;
  readonly mine: House;
}

const KEY = 'gilder-house';

/** The House while it is changed. What is not in force yet is kept in this browser until it is, or is taken back. */
export function useHouseDraft(first: HouseRecord): HouseDraft {
  const [saved, setSaved] = useState(first);
  const [house, setHouse] = useState(first.document);
  const looked = useRef(false);
  useEffect(() => {
    let open = true;
    get<HouseInBrowser>(KEY)
      .catch(() => undefined)
      .then((kept) => {
        looked.current = true;
        if (open && kept !== undefined) setHouse(mergeHouse(kept.base, kept.mine, first.document));
      });
    return () => {
      open = false;
    };
  }, [first]);
  useEffect(() => {
    if (!looked.current) return;
    const kept: HouseInBrowser = { base: saved.document, mine: house };
    void (sameValue(kept.base, kept.mine) ? del(KEY) : set(KEY, kept)).catch(() => undefined);
  }, [saved, house]);
  return {
    saved,
    house,
    change: useCallback((change) => setHouse((now) => ({ ...now, ...change })), []),
    takeBack: () => setHouse(saved.document),
    catchUp: (record) => {
      setHouse(mergeHouse(saved.document, house, record.document));
      setSaved(record);
    },
  };
}
