'use client';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { sameValue } from '@/core/kit/sameValue';
import type { House } from '@/core/model/house';
import type { Title } from '@/core/model/project';
import type { Work } from '@/core/project/work';
import type { Trial, TrialOutcome } from '@/core/proof/tryMend';
import type { QuietMap } from '@/core/quiet/quietMap';
import type { ProofReply, ProofRequest, ProofWork } from '@/workers/proofMessages';
import { useHouse } from '../../shared/useHouse';
import type { DeskView } from '../deskContext';
import type { ProofDesk, QuietQuestion } from './proofView';
import { createProofStore } from './proofView';

// A single change is proofed at once. What goes on being typed waits until nothing came for so long: letters come faster
// than that, and a proof of each would take the time that typing needs.
const SETTLE_MS = 60;
const PAUSE_MS = 250;

/** The proof of a project in a worker of its own, told of every change. */
export function useProof(view: DeskView): ProofDesk {
  const house = useHouse();
  const [desk] = useState(() => new ProofWorkerDesk());
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

interface Around {
  readonly house: House;
  readonly editions: DeskView['editions'];
  readonly project: NonNullable<ProofWork['project']>;
}

class ProofWorkerDesk implements ProofDesk {
  readonly store = createProofStore();
  private worker: Worker | null = null;
  private sentTitles = new Map<string, Title>();
  private sent: Partial<Work & Around> = {};
  private readonly questions = new Map<number, (map: QuietMap | null) => void>();
  private readonly trials = new Map<number, (outcomes: readonly (TrialOutcome | null)[]) => void>();
  private sentOrder: readonly string[] = [];
  private asked = 0;

  start(): void {
    if (this.worker !== null) return;
    this.worker = new Worker(new URL('../../../workers/proofWorker.ts', import.meta.url));
    this.worker.onmessage = ({ data }: MessageEvent<ProofReply>) => this.hear(data);
    this.worker.onerror = () => this.fail('The proof stopped. Reload the page.');
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.sent = {};
    this.sentTitles = new Map();
    this.sentOrder = [];
  }

  /** Sends what has changed since the last time. */
  take(work: Work, around: Around): void {
    const { sent } = this;
    if (
      sent.titles === work.titles &&
      sent.clips === work.clips &&
      sent.plan === work.plan &&
      sameAround(sent, around)
    )
      return;
    const changed = work.titles.filter((title) => this.sentTitles.get(title.id) !== title);
    const order = work.titles.map(({ id }) => id);
    const { house, editions, project } = around;
    const { checks, reading, areas, language, colours } = house;
    this.say({
      kind: 'work',
      changed,
      ...(sameValue(order, this.sentOrder) ? {} : { order }),
      ...(sent.clips === work.clips ? {} : { clips: work.clips }),
      ...(sent.plan === work.plan ? {} : { plan: work.plan }),
      ...(sent.house === house ? {} : { house: { checks, reading, areas, language, colours } }),
      ...(sent.editions === editions
        ? {}
        : {
            editions: [...editions.values()].map(({ id, templateId, number, document }) => ({
              id,
              templateId,
              number,
              document,
            })),
          }),
      ...(sent.project?.name === project.name ? {} : { project }),
    });
    this.sentOrder = order;
    this.sentTitles = new Map(work.titles.map((title) => [title.id, title]));
    this.sent = { titles: work.titles, clips: work.clips, plan: work.plan, ...around };
    this.forget(work.titles);
    this.wait(changed.map(({ id }) => id));
  }

  /** From now on nothing is said of titles that have changed but that they are being looked at. */
  private wait(titleIds: readonly string[]): void {
    const { complete } = this.store.getState();
    const gone = titleIds.filter((id) => complete.has(id));
    if (gone.length === 0) return;
    const left = new Set(complete);
    for (const id of gone) left.delete(id);
    this.store.setState({ complete: left });
  }

  /** Without a proof nothing has been looked at. */
  private fail(failure: string): void {
    this.store.setState({ failure, complete: new Set() });
  }

  focus(titleId: string | null): void {
    this.say({ kind: 'focus', titleId });
  }

  askQuiet(question: QuietQuestion): Promise<QuietMap | null> {
    const request = ++this.asked;
    return new Promise((resolve) => {
      this.questions.set(request, resolve);
      this.say({ kind: 'quiet', request, ...question });
    });
  }

  tryMends(trials: readonly Trial[]): Promise<readonly (TrialOutcome | null)[]> {
    const request = ++this.asked;
    return new Promise((resolve) => {
      this.trials.set(request, resolve);
      this.say({ kind: 'try', request, trials });
    });
  }

  private hear(reply: ProofReply): void {
    switch (reply.kind) {
      case 'waiting':
        this.wait(reply.titleIds);
        return;
      case 'findings': {
        const findings = new Map(this.store.getState().findings);
        const complete = new Set(this.store.getState().complete);
        for (const [id, list, done] of reply.findings) {
          if (!this.sentTitles.has(id)) continue;
          findings.set(id, list);
          if (done) complete.add(id);
          else complete.delete(id);
        }
        this.store.setState({ findings, complete, progress: reply.progress });
        return;
      }
      case 'quiet':
        this.questions.get(reply.request)?.(reply.map);
        this.questions.delete(reply.request);
        return;
      case 'tried':
        this.trials.get(reply.request)?.(reply.outcomes);
        this.trials.delete(reply.request);
        return;
      case 'failed':
        this.fail(reply.message);
    }
  }

  /** Findings of titles that are gone. */
  private forget(titles: readonly Title[]): void {
    const { findings } = this.store.getState();
    const present = new Set(titles.map(({ id }) => id));
    if ([...findings.keys()].every((id) => present.has(id))) return;
    this.store.setState({ findings: new Map([...findings].filter(([id]) => present.has(id))) });
  }

  private say(message: ProofRequest): void {
    this.worker?.postMessage(message);
  }
}

function sameAround(sent: Partial<Around>, now: Around): boolean {
  return (
    sent.house === now.house && sent.editions === now.editions && sent.project?.name === now.project.name
  );
}
