'use client';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { useHouse } from '../../shared/useHouse';
import type { DeskView } from '../deskContext';
import type { ProofDesk } from './proofView';
import { ProofWorkerDesk } from './proofWorkerDesk';

// A single change is proofed at once. What goes on being typed waits until nothing came for so long: letters come faster
// than that, and a proof of each would take the time that typing needs.
const SETTLE_MS = 60;
const PAUSE_MS = 250;

/** The proof of a project in a worker of its own, told of every change. */
export function useProof(view: DeskView): ProofDesk {
  const house = useHouse();
  const [desk] = useState(() => new ProofWorkerDesk(createWorker));
  useEffect(() => {
    desk.start();
    return () => desk.stop();
  }, [desk]);
  const { store, ui, editions, settings, rate } = view;
  const focused = useStore(ui, (state) => state.selection[0] ?? null);
  useEffect(() => desk.focus(focused), [desk, focused]);
  useEffect(() => {
    const send = (): void =>
      desk.take(store.getState(), { house, editions, project: { name: settings.name, rate: rate.id } });
    send();
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = -Infinity;
    const unsubscribe = store.subscribe(() => {
      const now = performance.now();
      clearTimeout(timer);
      timer = setTimeout(send, now - last > PAUSE_MS ? 0 : SETTLE_MS);
      last = now;
    });
    return () => {
      clearTimeout(timer);
      unsubscribe();
    };
  }, [desk, store, house, editions, settings, rate]);
  return desk;
}

function createWorker(): Worker {
  return new Worker(new URL('../../../workers/proofWorker.ts', import.meta.url));
}
