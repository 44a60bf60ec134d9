import type { Cue } from '@/core/model/captions';
import type { House } from '@/core/model/house';
import type { Plan } from '@/core/model/plan';
import type { Clip, Title } from '@/core/model/project';
import type { Finding } from '@/core/proof/finding';
import type { ProofProgress } from '@/core/proof/proofer';
import type { Trial, TrialOutcome } from '@/core/proof/tryMend';
import type { ProofEdition } from '@/core/proof/titleContext';
import type { QuietMap } from '@/core/quiet/quietMap';

/** What of a project has changed; what is left out is as it was. */
export interface ProofWork {
  readonly kind: 'work';
  /** Counts up with every message of this kind; answers say which was the last they know. */
  readonly turn: number;
  readonly changed: readonly Title[];
  /** The ids of all titles in their order. */
  readonly order?: readonly string[];
  readonly changedCues?: readonly Cue[];
  /** The ids of all cues. */
  readonly cueOrder?: readonly string[];
  readonly clips?: readonly Clip[];
  readonly plan?: Plan;
  readonly house?: Pick<House, 'checks' | 'reading' | 'areas' | 'language' | 'colours' | 'captions'>;
  readonly editions?: readonly ProofEdition[];
  readonly project?: { readonly name: string; readonly rate: string };
}

export type ProofRequest =
  | ProofWork
  | { readonly kind: 'focus'; readonly titleId: string | null }
  /** Asks what mends of a title would do. */
  | { readonly kind: 'try'; readonly request: number; readonly trials: readonly Trial[] }
  /** Asks where the pictures under a stretch of the project (frames, half-open) are quiet in a format. */
  | {
      readonly kind: 'quiet';
      readonly request: number;
      readonly fromFrame: number;
      readonly toFrame: number;
      readonly format: string;
    };

export type ProofReply =
  | {
      readonly kind: 'findings';
      readonly turn: number;
      readonly findings: readonly (readonly [
        titleId: string,
        findings: readonly Finding[],
        complete: boolean,
      ])[];
      readonly progress: ProofProgress;
    }
  /** Answers every message of work: what has to be looked at again, and what of the changed was looked at as it is now. */
  | {
      readonly kind: 'taken';
      readonly turn: number;
      readonly waiting: readonly string[];
      readonly looked: readonly string[];
    }
  | { readonly kind: 'tried'; readonly request: number; readonly outcomes: readonly (TrialOutcome | null)[] }
  | { readonly kind: 'quiet'; readonly request: number; readonly map: QuietMap | null }
  | { readonly kind: 'failed'; readonly message: string };
