'use client';
import { classes } from '../../shared/classes';
import { counted } from '../../shared/counted';
import { useProofView } from '../proof/proofView';

interface Left {
  /**
   * Titles with something to fix, with something to look at, those of which something cannot be looked at, and those
   * that are being looked at.
   */
  readonly stops: number;
  readonly looks: number;
  readonly unseen: number;
  readonly unknown: number;
}

/** What the proof still has to say of titles in some deliveries. */
export function useLeft(titleIds: readonly string[], deliveries: readonly string[]): Left {
  const { findingsOf, knows } = useProofView();
  const tones = titleIds.map((id) => {
    if (!knows(id)) return 'unknown';
    const here = findingsOf(id).filter(
      ({ deliveryIds }) => deliveryIds.length === 0 || deliveryIds.some((id) => deliveries.includes(id)),
    );
    return here[0]?.tone ?? 'pass';
  });
  const count = (tone: string): number => tones.filter((one) => one === tone).length;
  return {
    stops: count('stop'),
    looks: count('look'),
    unseen: count('unseen'),
    unknown: count('unknown'),
  };
}

interface NoticeProps {
  readonly left: Left;
  /** What they are, one and several. */
  readonly what: readonly [string, string];
  readonly deliveryCount: number;
}

/** Says what is still to fix, to look at, or not looked at, before anything is sent. */
export function ProofNotice({
  left: { stops, looks, unseen, unknown },
  what: [one, several],
  deliveryCount,
}: NoticeProps) {
  const parts = [
    stops > 0 && `${counted(stops, `${one} has`, `${several} have`)} something to fix`,
    looks > 0 && `${counted(looks, `${one} has`, `${several} have`)} something to look at`,
    unseen > 0 && `${counted(unseen, `${one} has`, `${several} have`)} something that could not be looked at`,
    unknown > 0 && `${counted(unknown, `${one} is`, `${several} are`)} still being looked at`,
  ].filter((part) => part !== false);
  if (parts.length === 0) return null;
  return (
    <p
      role="status"
      className={classes(
        'mt-3 rounded-lg px-3 py-2',
        stops + unseen + unknown > 0 ? 'bg-stop-wash text-stop-ink' : 'bg-leaf-wash text-leaf-ink',
      )}
    >
      {`In ${deliveryCount > 1 ? 'these deliveries' : 'this delivery'} ${parts.join(', ')}.`}
    </p>
  );
}

/** What is sent, one and several. */
export function wordFor(hasCaptions: boolean, hasTitles: boolean): readonly [string, string] {
  if (!hasCaptions) return ['title', 'titles'];
  return hasTitles ? ['title or caption', 'titles and captions'] : ['caption', 'captions'];
}
