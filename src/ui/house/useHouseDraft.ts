'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { HouseRecord } from '@/contract/house';
import type { NewsItem } from '@/contract/news';
import type { House } from '@/core/model/house';
import { mergeHouse } from '@/core/model/mergeHouse';
import { sameValue } from '@/core/kit/sameValue';
import { ask } from '../shared/api';
import { KeptDraft } from '../shared/keptDraft';
import { useKeptSteps } from '../shared/useKeptSteps';
import { useKeptWhileUnsaved } from '../shared/useKeptWhileUnsaved';
import type { HouseStore } from './houseStore';
import { createHouseStore } from './houseStore';

interface HouseDraft {
  /** What is in force. */
  readonly saved: HouseRecord;
  /** What was made of it here. */
  readonly house: House;
  readonly store: HouseStore;
  takeBack(): void;
  /** What is in force now; what was made here stays, put together with it. */
  catchUp(record: HouseRecord): void;
}

interface UnsavedHouse {
  readonly base: House;
  readonly mine: House;
}

/** The House while it is changed. What is not in force yet is kept in this browser until it is, or is taken back. */
export function useHouseDraft(first: HouseRecord): HouseDraft {
  const [saved, setSaved] = useState(first);
  const [store] = useState(() => createHouseStore(first.document));
  const [kept] = useState(
    () => new KeptDraft<UnsavedHouse>('gilder-house', ` ${Math.random().toString(36).slice(2)}`),
  );
  const house = useStore(store, (state) => state.house);
  const inForce = useRef(first);
  const unsaved = useMemo(() => ({ base: saved.document, mine: house }), [saved, house]);
  const isInForce = useMemo(() => sameValue(saved.document, house), [saved, house]);
  useKeptSteps('house', store);
  useEffect(() => {
    void kept.takeUp(async ({ base, mine }) => {
      const merged = mergeHouse(base, mine, store.getState().house);
      // No step of undo: it was done before.
      store.setState({ house: merged });
      await kept.keep({ base: inForce.current.document, mine: merged });
    });
  }, [kept, store]);
  useEffect(() => {
    if (isInForce) void kept.drop();
  }, [kept, isInForce]);
  useKeptWhileUnsaved(kept, unsaved, !isInForce, 0);
  const catchUp = useCallback(
    (record: HouseRecord): void => {
      const { house: mine } = store.getState();
      store.setState({ house: mergeHouse(inForce.current.document, mine, record.document) });
      inForce.current = record;
      setSaved(record);
    },
    [store],
  );
  useHouseNews(catchUp);
  return { saved, house, store, takeBack: () => store.getState().change(saved.document), catchUp };
}

/** Hears when somebody else puts a change in force; what is away then is caught up with by the next change from here. */
function useHouseNews(tell: (record: HouseRecord) => void): void {
  useEffect(() => {
    const source = new EventSource('/api/news');
    let asked = 0;
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const { kind }: NewsItem = JSON.parse(data);
      if (kind !== 'house' && kind !== 'restored') return;
      const time = ++asked;
      // Answers may come in another order than they were asked for.
      void ask<HouseRecord>('house').then(
        (record) => time === asked && tell(record),
        () => undefined,
      );
    };
    return () => source.close();
  }, [tell]);
}
