import type { Finding, MendChange } from './finding';

/** A mend to be tried before it is offered: of which finding, and what it would change. */
export interface Trial {
  readonly finding: Pick<Finding, 'titleId' | 'deliveryId' | 'check' | 'subject'>;
  readonly change: MendChange;
}

/** What a mend would do. */
export interface TrialOutcome {
  /** Whether the finding would be gone, in every delivery. */
  readonly mends: boolean;
  /** What would be found that is not found now, in this title or in others. */
  readonly causes: readonly Finding[];
}

/** What a mend does, from all findings of the titles that it touches before and after. */
export function outcomeOf(
  { finding }: Trial,
  before: readonly Finding[],
  after: readonly Finding[],
): TrialOutcome {
  const known = new Map(before.map((one) => [one.key, one.tone]));
  const same = (one: Finding): boolean =>
    one.titleId === finding.titleId && one.check === finding.check && one.subject === finding.subject;
  return {
    mends: !after.some(same),
    causes: after.filter(
      (one) => !same(one) && (!known.has(one.key) || (one.tone === 'stop' && known.get(one.key) !== 'stop')),
    ),
  };
}

/** A mend with what it would do. */
export interface TriedMend<T> {
  readonly mend: T;
  readonly outcome: TrialOutcome;
}

/** The mends that mend, those that cause nothing first; what mends nothing is not offered. */
export function worthOffering<T>(tried: readonly TriedMend<T>[]): TriedMend<T>[] {
  return tried
    .filter(({ outcome }) => outcome.mends)
    .toSorted((a, b) => badness(a.outcome) - badness(b.outcome));
}

const badness = ({ causes }: TrialOutcome): number =>
  causes.reduce((sum, { tone }) => sum + (tone === 'look' ? 1 : 100), 0);
