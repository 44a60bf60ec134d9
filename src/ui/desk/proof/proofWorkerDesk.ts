'use client';
import { sameValue } from '@/core/kit/sameValue';
import type { Cue } from '@/core/model/captions';
import type { House } from '@/core/model/house';
import type { Title } from '@/core/model/project';
import type { Work } from '@/core/project/work';
import { workOf } from '@/core/project/work';
import type { Trial, TrialOutcome } from '@/core/proof/tryMend';
import type { QuietMap } from '@/core/quiet/quietMap';
import type { ProofReply, ProofRequest, ProofWork } from '@/workers/proofMessages';
import type { DeskView } from '../deskContext';
import type { ProofDesk, QuietQuestion } from './proofView';
import { createProofStore } from './proofView';

interface Around {
  readonly house: House;
  readonly editions: DeskView['editions'];
  readonly project: NonNullable<ProofWork['project']>;
}

/** The desk's side of the proof: tells the worker what changed, and keeps what it answers. */
export class ProofWorkerDesk implements ProofDesk {
  readonly store = createProofStore();
  private worker: Worker | null = null;
  private sentTitles = new Map<string, Title>();
  private sentCues = new Map<string, Cue>();
  /** With which message a title was sent last: older answers do not know it as it is now. */
  private sentTurns = new Map<string, number>();
  private turn = 0;
  private sent: Partial<Work & Around> = {};
  private readonly questions = new Map<number, (map: QuietMap | null) => void>();
  private readonly trials = new Map<number, (outcomes: readonly (TrialOutcome | null)[]) => void>();
  private sentOrder: readonly string[] = [];
  private asked = 0;

  constructor(private readonly createWorker: () => Worker) {}

  start(): void {
    if (this.worker !== null) return;
    this.worker = this.createWorker();
    this.worker.onmessage = ({ data }: MessageEvent<ProofReply>) => this.hear(data);
    this.worker.onerror = () => this.fail('The proof stopped. Reload the page.');
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.sent = {};
    this.sentTitles = new Map();
    this.sentCues = new Map();
    this.sentTurns = new Map();
    this.sentOrder = [];
  }

  /** Sends what has changed since the last time. */
  take(work: Work, around: Around): void {
    const { sent } = this;
    if (
      sent.titles === work.titles &&
      sent.clips === work.clips &&
      sent.cues === work.cues &&
      sent.plan === work.plan &&
      sameAround(sent, around)
    )
      return;
    const changed = work.titles.filter((title) => this.sentTitles.get(title.id) !== title);
    const order = work.titles.map(({ id }) => id);
    const changedCues = work.cues.filter((cue) => this.sentCues.get(cue.id) !== cue);
    const { house, editions, project } = around;
    const { checks, reading, areas, language, colours, captions } = house;
    this.turn++;
    const all = [...changed, ...changedCues].map(({ id }) => id);
    for (const id of all) this.sentTurns.set(id, this.turn);
    this.say({
      kind: 'work',
      turn: this.turn,
      changed,
      ...(sameValue(order, this.sentOrder) ? {} : { order }),
      ...(sent.cues === work.cues ? {} : { changedCues, cueOrder: work.cues.map(({ id }) => id) }),
      ...(sent.clips === work.clips ? {} : { clips: work.clips }),
      ...(sent.plan === work.plan ? {} : { plan: work.plan }),
      ...(sent.house === house ? {} : { house: { checks, reading, areas, language, colours, captions } }),
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
    this.sentCues = new Map(work.cues.map((cue) => [cue.id, cue]));
    this.sent = { ...workOf(work), ...around };
    this.forget();
    // Nothing is said of what has changed until the worker knows of it.
    this.mark(all, []);
  }

  /** Says of titles that they are being looked at, or were looked at as they are now. */
  private mark(waiting: readonly string[], looked: readonly string[]): void {
    const { complete } = this.store.getState();
    if (waiting.every((id) => !complete.has(id)) && looked.every((id) => complete.has(id))) return;
    const now = new Set(complete);
    for (const id of waiting) now.delete(id);
    for (const id of looked) now.add(id);
    this.store.setState({ complete: now });
  }

  /** Whether an answer was given about a title as it was last sent. */
  private knewOf(titleId: string, turn: number): boolean {
    return (this.sentTurns.get(titleId) ?? Infinity) <= turn;
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
      case 'taken':
        this.mark(
          reply.waiting,
          reply.looked.filter((id) => this.knewOf(id, reply.turn)),
        );
        return;
      case 'findings': {
        const findings = new Map(this.store.getState().findings);
        const complete = new Set(this.store.getState().complete);
        for (const [id, list, done] of reply.findings) {
          if (!this.isThere(id)) continue;
          findings.set(id, list);
          if (done && this.knewOf(id, reply.turn)) complete.add(id);
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

  /** Whether there is such a title or cue. */
  private isThere(id: string): boolean {
    return this.sentTitles.has(id) || this.sentCues.has(id);
  }

  /** Findings of what is gone. */
  private forget(): void {
    const { findings } = this.store.getState();
    if ([...findings.keys()].every((id) => this.isThere(id))) return;
    this.store.setState({ findings: new Map([...findings].filter(([id]) => this.isThere(id))) });
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
