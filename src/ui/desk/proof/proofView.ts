'use client';
import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Plan } from '@/core/model/plan';
import type { Finding } from '@/core/proof/finding';
import type { ProofProgress } from '@/core/proof/proofer';
import type { QuietMap } from '@/core/quiet/quietMap';
import { usePlan } from '../deskContext';

/** What the proof has found so far. */
export interface ProofState {
  readonly findings: ReadonlyMap<string, readonly Finding[]>;
  /** Titles that were looked at in everything at least once. */
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
};

const ProofContext = createContext<ProofDesk>(NO_PROOF);
export const ProofProvider = ProofContext.Provider;

/** The proof of the project that is open. */
export function useProofDesk(): ProofDesk {
  return useContext(ProofContext);
}

type Tone = 'pass' | 'look' | 'stop';

export interface ProofView {
  /** The findings of a title that nobody has set aside, what must be fixed first. */
  findingsOf(titleId: string): readonly Finding[];
  /** What was found in a title and set aside, with the reasons. */
  asideOf(titleId: string): readonly { readonly finding: Finding; readonly reason: string }[];
  toneOf(titleId: string): Tone;
  /** Whether the title has been looked at in everything. */
  knows(titleId: string): boolean;
  readonly progress: ProofProgress;
}

const NONE: readonly Finding[] = [];

/** What has been found, without what was set aside. */
export function useProofView(): ProofView {
  const { findings, complete, progress } = useStore(useProofDesk().store);
  const { setAside } = usePlan();
  return useMemo(() => {
    const aside = new Map(setAside.map(({ key, reason }) => [key, reason]));
    const open = new Map<string, readonly Finding[]>();
    const findingsOf = (id: string): readonly Finding[] => {
      const known = open.get(id);
      if (known !== undefined) return known;
      const all = findings.get(id) ?? NONE;
      const left = aside.size === 0 ? all : all.filter(({ key }) => !aside.has(key));
      open.set(id, left);
      return left;
    };
    return {
      findingsOf,
      asideOf: (id) =>
        (findings.get(id) ?? NONE).flatMap((finding) => {
          const reason = aside.get(finding.key);
          return reason === undefined ? [] : [{ finding, reason }];
        }),
      toneOf: (id) => findingsOf(id)[0]?.tone ?? 'pass',
      knows: (id) => complete.has(id),
      progress,
    };
  }, [findings, complete, progress, setAside]);
}

/** The plan with a finding set aside, or taken up again. */
export function withSetAside(plan: Plan, key: string, reason: string | null): Plan {
  const others = plan.setAside.filter((one) => one.key !== key);
  return { ...plan, setAside: reason === null ? others : [...others, { key, reason }] };
}
