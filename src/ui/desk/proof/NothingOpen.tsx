import { counted } from '../../shared/counted';
import { Pill } from '../../shared/Pill';
import type { ProofView } from './proofView';

interface Props {
  /** Whether it has been looked at in everything. */
  readonly known: boolean;
  /** How many findings somebody has ignored. */
  readonly ignored: number;
}

/** Said where there is nothing open: clear only what was looked at and found to be so, not what was ignored. */
export function NothingOpen({ known, ignored }: Props) {
  if (!known) return <Pill tone="quiet">being looked at</Pill>;
  return ignored === 0 ? (
    <Pill tone="pass">clear</Pill>
  ) : (
    <Pill tone="quiet">{`${counted(ignored, 'finding')} ignored`}</Pill>
  );
}

/** The same of several together, in words. */
export function sayNothingOpen(ids: readonly string[], asideOf: ProofView['asideOf']): string {
  const ignored = ids.reduce((sum, id) => sum + asideOf(id).length, 0);
  return ignored === 0 ? 'all clear' : `nothing open, ${ignored} ignored`;
}
