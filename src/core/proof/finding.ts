import type { Cue } from '../model/captions';
import type { Title } from '../model/project';
import type { FieldValue } from '../model/template';

/** What a mend does to a title or its project. */
export type MendChange =
  | { readonly kind: 'title'; readonly set: Partial<Omit<Title, 'id' | 'values'>> }
  | { readonly kind: 'words'; readonly fieldId: string; readonly value: FieldValue }
  /** Changes a cue. */
  | { readonly kind: 'cue'; readonly set: Partial<Omit<Cue, 'id' | 'trackId'>> }
  /** Changes what a row of credits says. */
  | {
      readonly kind: 'credit';
      readonly rowId: string;
      readonly cell: 'role' | 'name';
      readonly value: string;
    }
  /** Takes a word into the project's own. */
  | { readonly kind: 'ownWord'; readonly word: string }
  /** Brings the title up to an edition, its words going where they belong. */
  | { readonly kind: 'edition'; readonly editionId: string }
  /** Proposes where the picture is quiet. */
  | { readonly kind: 'quiet' };

/** A way to put a finding right, in words for a button. */
export interface Mend {
  readonly label: string;
  readonly change: MendChange;
}

/** How bad a finding is: it must be fixed, it could not be looked at, or it should be looked at. */
export type Severity = 'stop' | 'unseen' | 'look';

const SEVERITIES: readonly Severity[] = ['stop', 'unseen', 'look'];

/** A moment of a measurement: a frame of the title, and what was measured there. */
export interface Measured {
  readonly frame: number;
  readonly value: number;
}

/** What a finding was measured by, over the title's time. */
export interface Measurement {
  readonly points: readonly Measured[];
  readonly needed: number;
  /** What the value is, with its unit, for an axis. */
  readonly label: string;
}

/** Something that a check found in a title. */
export interface Finding {
  /** Says which finding it is, the same as long as its cause is. */
  readonly key: string;
  readonly check: string;
  /** What sets it apart from other findings of the same check in the same title. */
  readonly subject: string;
  readonly titleId: string;
  /** The delivery that it is found in; null where it is in all of them. */
  readonly deliveryId: string | null;
  readonly tone: Severity;
  /** A few words. */
  readonly message: string;
  /** What, where and how much, in a sentence. */
  readonly detail: string;
  readonly mends: readonly Mend[];
  /** The title's own frame at which it is to be seen; null for anywhere in it. */
  readonly frame: number | null;
  /** How it was measured over time, where it was. */
  readonly measurement?: Measurement;
}

/** What a check says of a finding; who and where is added by the one that runs it. */
export type Found = Pick<Finding, 'tone' | 'message' | 'detail'> & {
  readonly subject?: string;
  readonly mends?: readonly Mend[];
  readonly frame?: number | null;
  readonly measurement?: Measurement;
};

/** A finding with all its parts. */
export function toFinding(
  check: string,
  titleId: string,
  deliveryId: string | null,
  { subject = '', mends = [], frame = null, ...found }: Found,
): Finding {
  const key = [check, titleId, deliveryId ?? '', subject].join(' ').trim().slice(0, 400);
  return { key, check, subject, titleId, deliveryId, mends, frame, ...found };
}

/** How a tone compares with another: below 0 for the worse one. */
export function compareSeverity(a: Severity, b: Severity): number {
  return SEVERITIES.indexOf(a) - SEVERITIES.indexOf(b);
}

/** Findings with the worst first, otherwise in their order. */
export function worstFirst<T extends Pick<Finding, 'tone'>>(findings: readonly T[]): T[] {
  return findings.toSorted((a, b) => compareSeverity(a.tone, b.tone));
}

/** Seconds as they are told: one digit behind the point, kept together with their unit. */
export function sayTime(seconds: number): string {
  return `${seconds.toFixed(1)}\u00a0s`;
}
