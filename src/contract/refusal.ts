import type { InputProblem } from '../core/kit/inputError';

/** What every refusal looks like on the wire. */
export interface Refusal {
  readonly message: string;
  readonly problems?: readonly InputProblem[];
  /** For a stale write: the state that is newer. */
  readonly newer?: unknown;
}
