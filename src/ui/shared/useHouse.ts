'use client';
import { useEffect } from 'react';
import { createStore, useStore } from 'zustand';
import type { HouseRecord } from '@/contract/house';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import { ask } from './api';

interface HouseState {
  readonly house: House;
  readonly revision: number;
  readonly asked: boolean;
}

const store = createStore<HouseState>(() => ({ house: FIRST_HOUSE, revision: 0, asked: false }));

async function load(): Promise<void> {
  const { document, revision } = await ask<HouseRecord>('house');
  store.setState({ house: document, revision });
}

/** Asks for the house style again, where this page has asked for it before. */
export async function reloadHouse(): Promise<void> {
  if (store.getState().asked) await load().catch(() => undefined);
}

/** The house style as this page knows it; asked for once. */
export function useHouse(): House {
  useEffect(() => {
    if (store.getState().asked) return;
    store.setState({ asked: true });
    load().catch(() => store.setState({ asked: false }));
  }, []);
  return useStore(store, (state) => state.house);
}

/** Changes the house style from its newest state and saves it. Throws what the server refuses. */
export async function changeHouse(change: (house: House) => House): Promise<void> {
  await load();
  const { house, revision } = store.getState();
  const document = change(house);
  const saved = await ask<{ revision: number }>('house', { method: 'PUT', body: { revision, document } });
  store.setState({ house: document, revision: saved.revision });
}
