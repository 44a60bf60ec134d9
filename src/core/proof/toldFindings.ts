import type { Finding } from './finding';
import { compareSeverity } from './finding';

/** A finding as it is told: once for a title, with all the deliveries that it is found in. */
export interface ToldFinding extends Finding {
  /** The deliveries that it is found in; empty where it is in the title itself, whatever the delivery. */
  readonly deliveryIds: readonly string[];
  /** What was found in each of them; setting it aside sets all of these aside. */
  readonly parts: readonly Finding[];
}

/**
 * Findings of titles, each problem once: what one check finds in several deliveries of a title is one problem. The
 * worst of them speaks for all, and its mends are offered. The order is that of the first of each.
 */
export function oncePerProblem(findings: readonly Finding[]): ToldFinding[] {
  const groups = new Map<string, Finding[]>();
  for (const finding of findings) {
    const problem = [finding.titleId, finding.check, finding.subject].join('\n');
    const group = groups.get(problem);
    if (group === undefined) groups.set(problem, [finding]);
    else group.push(finding);
  }
  return [...groups.values()].map((parts) => ({
    ...parts.reduce(worse),
    parts,
    deliveryIds: parts.some(({ deliveryId }) => deliveryId === null)
      ? []
      : parts.flatMap(({ deliveryId }) => deliveryId ?? []),
  }));
}

/** The one of two findings of the same problem that is worse: by its tone, then by what was measured. */
function worse(a: Finding, b: Finding): Finding {
  const by = compareSeverity(a.tone, b.tone);
  if (by !== 0) return by < 0 ? a : b;
  return leastOf(b) < leastOf(a) ? b : a;
}

function leastOf({ measurement }: Finding): number {
  return measurement === undefined ? 0 : Math.min(...measurement.points.map(({ value }) => value));
}
