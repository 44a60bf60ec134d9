'use client';
import { Pill } from '../../shared/Pill';
import { useDesk, useSelect } from '../deskContext';
import { useProofView } from './proofView';

/** The worst of what was found in a title, and how much more there is; a click opens all of it. */
export function FindingPill({ titleId }: { readonly titleId: string }) {
  const { findingsOf, knows } = useProofView();
  const { ui } = useDesk();
  const select = useSelect();
  const [worst, ...others] = findingsOf(titleId);
  if (worst === undefined)
    return knows(titleId) ? <Pill tone="pass">clear</Pill> : <span className="text-[12px] text-soft">…</span>;
  return (
    <button
      type="button"
      tabIndex={-1}
      title={worst.detail}
      className="flex min-w-0 items-center gap-1.5"
      onClick={() => {
        select(titleId);
        ui.setState({ panel: 'proof' });
      }}
    >
      <Pill tone={worst.tone}>{worst.message}</Pill>
      {others.length > 0 && <span className="text-[12px] text-soft">+{others.length}</span>}
    </button>
  );
}
