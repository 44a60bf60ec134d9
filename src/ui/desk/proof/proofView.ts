'use client';
import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import { editionIdOf } from '@/core/captions/editionOf';
import type { Plan } from '@/core/model/plan';
import type { SetAside } from '@/core/model/plan';
import type { Finding, Severity } from '@/core/proof/finding';
import { worstFirst } from '@/core/proof/finding';
import type { ToldFinding } from '@/core/proof/toldFindings';
import { oncePerProblem } from '@/core/proof/toldFindings';
import type { AsideLookup, AsideScope } from '@/core/proof/setAside';
import { asideEntry, createAsideLookup } from '@/core/proof/setAside';
import type { Trial, TrialOutcome } from '@/core/proof/tryMend';
import type { ProofProgress } from '@/core/proof/proofer';
import type { QuietMap } from '@/core/quiet/quietMap';
import type { DeskView } from '../deskContext';
import { useDesk, usePlan } from '../deskContext';

/** What the proof has found so far. */
export interface ProofState {
  readonly findings: ReadonlyMap<string, readonly Finding[]>;
  /** Titles that were looked at in everything, as they are now. */
  readonly complete: ReadonlySet<string>;
  readonly progress: ProofProgress;
  /** Why there is no proof, in words; empty when there is one. */
  readonly failure: string;
}

/** A stretch of a project's pictures, as a format shows them. */
export interface QuietQuestion {
  readonly fromFrame: number;
  readonly toFrame: number;
  readonly format: string;
}

export interface ProofDesk {
  readonly store: StoreApi<ProofState>;
  /** Asks where the pictures are quiet; null when none of them is here. */
  askQuiet(question: QuietQuestion): Promise<QuietMap | null>;
  /** What mends would do; null for one of a title that is still being looked at. */
  tryMends(trials: readonly Trial[]): Promise<readonly (TrialOutcome | null)[]>;
}

/** What a proof knows before it has looked at anything. */
export function createProofStore(): StoreApi<ProofState> {
  return createStore<ProofState>(() => ({
    findings: new Map(),
    complete: new Set(),
    progress: { done: 0, total: 0 },
    failure: '',
  }));
}

/** No proof at all: for parts of the desk that are shown on their own. */
const NO_PROOF: ProofDesk = {
  store: createProofStore(),
  askQuiet: () => Promise.resolve(null),
  tryMends: (trials) => Promise.resolve(trials.map(() => null)),
};

const ProofContext = createContext<ProofDesk>(NO_PROOF);
export const ProofProvider = ProofContext.Provider;

/** The proof of the project that is open. */
export function useProofDesk(): ProofDesk {
  return useContext(ProofContext);
}

/** What is known of a title: nothing found, the worst that was found, or that it is still being looked at. */
export type Tone = 'pass' | 'waiting' | Severity;

export interface ProofView {
  /** The findings of a title that nobody has set aside, the worst first, each problem once. */
  findingsOf(titleId: string): readonly ToldFinding[];
  /** What was found in a title and set aside, with the reasons. */
  asideOf(titleId: string): readonly { readonly finding: ToldFinding; readonly aside: SetAside }[];
  toneOf(titleId: string): Tone;
  /** Whether the title has been looked at in everything. */
  knows(titleId: string): boolean;
  readonly progress: ProofProgress;
}

interface Told {
  readonly open: readonly ToldFinding[];
  readonly aside: ReturnType<ProofView['asideOf']>;
}

const NOTHING: Told = { open: [], aside: [] };
const NONE: readonly Finding[] = [];

/** What there is to tell of a title's findings, with what was decided about them. */
function tell(findings: readonly Finding[], asideFor: AsideLookup): Told {
  if (findings.length === 0) return NOTHING;
  const reasons = new Map<string, SetAside>();
  const open: Finding[] = [];
  const put: Finding[] = [];
  for (const finding of findings) {
    const aside = asideFor(finding);
    if (aside !== undefined) reasons.set(finding.key, aside);
    (aside === undefined ? open : put).push(finding);
  }
  return {
    open: worstFirst(oncePerProblem(open)),
    aside: oncePerProblem(put).flatMap((finding) => {
      const aside = reasons.get(finding.key);
      return aside === undefined ? [] : [{ finding, aside }];
    }),
  };
}

// Every row of the cue sheet asks; decisions are put in order once for all.
const lookups = new WeakMap<Plan['setAside'], WeakMap<DeskView['editions'], AsideLookup>>();

/** What somebody decided about findings of the project that is open. */
function useAsideLookup(): AsideLookup {
  const { editions, store } = useDesk();
  const { setAside } = usePlan();
  const known = lookups.get(setAside) ?? new WeakMap<DeskView['editions'], AsideLookup>();
  lookups.set(setAside, known);
  const found =
    known.get(editions) ??
    createAsideLookup(setAside, (titleId) => {
      const editionId = editionIdOf(store.getState(), titleId);
      return editionId === undefined ? undefined : editions.get(editionId)?.templateId;
    });
  known.set(editions, found);
  return found;
}

/** What is known of one title: drawn again only when that changes. */
export function useTitleProof(titleId: string): {
  readonly told: readonly ToldFinding[];
  /** How many findings were ignored. */
  readonly ignored: number;
  readonly known: boolean;
} {
  const { store } = useProofDesk();
  const findings = useStore(store, (state) => state.findings.get(titleId) ?? NONE);
  const known = useStore(store, (state) => state.complete.has(titleId));
  const asideFor = useAsideLookup();
  const { open, aside } = useMemo(() => tell(findings, asideFor), [findings, asideFor]);
  return { told: open, ignored: aside.length, known };
}

/** What there is to tell of lists of findings; of thousands few change at a time, and only those are told again. */
function createTold(asideFor: AsideLookup): (list: readonly Finding[] | undefined) => Told {
  const known = new WeakMap<readonly Finding[], Told>();
  return (list = NONE) => {
    const before = known.get(list);
    if (before !== undefined) return before;
    const now = tell(list, asideFor);
    known.set(list, now);
    return now;
  };
}

function useTold(): ReturnType<typeof createTold> {
  const asideFor = useAsideLookup();
  return useMemo(() => createTold(asideFor), [asideFor]);
}

/** What has been found, without what was set aside. */
export function useProofView(): ProofView {
  const { findings, complete, progress } = useStore(useProofDesk().store);
  const told = useTold();
  return useMemo(
    () => ({
      findingsOf: (id) => told(findings.get(id)).open,
      asideOf: (id) => told(findings.get(id)).aside,
      toneOf: (id) => told(findings.get(id)).open[0]?.tone ?? (complete.has(id) ? 'pass' : 'waiting'),
      knows: (id) => complete.has(id),
      progress,
    }),
    [findings, complete, progress, told],
  );
}

/**
 * The tones of titles as long as they are asked for: whoever does not ask is not drawn again with every step of the
 * proof, and gets `pass` for all.
 */
export function useToneOf(asked: boolean): (titleId: string) => Tone {
  const state = useStore(useProofDesk().store, (now) => (asked ? now : null));
  const told = useTold();
  return useMemo(
    () => (id) => {
      if (state === null) return 'pass';
      return told(state.findings.get(id)).open[0]?.tone ?? (state.complete.has(id) ? 'pass' : 'waiting');
    },
    [state, told],
  );
}

/** The plan with a problem set aside, as far as it is asked to reach. */
export function withSetAside(
  plan: Plan,
  { parts }: ToldFinding,
  scope: AsideScope,
  templateId: string | undefined,
  said: Pick<SetAside, 'reason' | 'by'>,
): Plan {
  const entries = parts.map((part) => asideEntry(part, scope, templateId, said));
  const keys = new Set(entries.map(({ key }) => key));
  const others = plan.setAside.filter(({ key }) => !keys.has(key));
  return { ...plan, setAside: [...others, ...new Map(entries.map((entry) => [entry.key, entry])).values()] };
}

/** The plan with something taken up again that was set aside. */
export function withTakenUp(plan: Plan, key: string): Plan {
  return { ...plan, setAside: plan.setAside.filter((one) => one.key !== key) };
}
