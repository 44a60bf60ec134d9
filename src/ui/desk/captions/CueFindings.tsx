'use client';
import { useState } from 'react';
import type { Cue } from '@/core/model/captions';
import type { Mend } from '@/core/proof/finding';
import { applyMend } from '@/core/proof/mend';
import type { ToldFinding } from '@/core/proof/toldFindings';
import { Button } from '../../shared/Button';
import { Pill } from '../../shared/Pill';
import { useApplyWork, useDesk, usePlan } from '../deskContext';
import { NothingOpen } from '../proof/NothingOpen';
import { useTitleProof } from '../proof/proofView';
import { SetAsideForm } from '../proof/SetAsideForm';

interface Props {
  readonly cue: Cue;
  readonly onSeek: (frame: number) => void;
}

/** What was found in a cue, with what mends it. */
export function CueFindings({ cue, onSeek }: Props) {
  const { told, known, ignored } = useTitleProof(cue.id);
  return (
    <div className="mt-3 border-t border-line pt-3">
      <h3 className="caps pb-1">Proof</h3>
      {told.length === 0 && <NothingOpen known={known} ignored={ignored} />}
      {told.map((finding) => (
        <CueFinding key={finding.key} cue={cue} finding={finding} onSeek={onSeek} />
      ))}
    </div>
  );
}

/** What only titles have means nothing for a cue: a lane, an edge, an edition. */
function mendsCues({ change }: Mend): boolean {
  switch (change.kind) {
    case 'cue':
    case 'words':
    case 'ownWord':
      return true;
    case 'title':
      return Object.keys(change.set).every((key) => key === 'startFrame' || key === 'lengthFrames');
    default:
      return false;
  }
}

function CueFinding({ cue, finding, onSeek }: Props & { readonly finding: ToldFinding }) {
  const { editions } = useDesk();
  const { deliveries } = usePlan();
  const apply = useApplyWork();
  const [aside, setAside] = useState(false);
  const names = deliveries.filter(({ id }) => finding.deliveryIds.includes(id)).map(({ name }) => name);
  return (
    <div className="py-1.5">
      <button
        type="button"
        className="flex flex-wrap items-center gap-x-2 gap-y-1 text-left"
        onClick={() => onSeek(cue.startFrame + (finding.frame ?? 0))}
      >
        <Pill tone={finding.tone}>{finding.message}</Pill>
        {names.length > 0 && deliveries.length > 1 && (
          <span className="text-[12px] text-soft">
            {names.length === deliveries.length ? 'in every delivery' : names.join(', ')}
          </span>
        )}
      </button>
      <p className="pt-1 text-soft">{finding.detail}</p>
      <div className="flex flex-wrap gap-1.5 pt-1.5">
        {finding.mends.filter(mendsCues).map(({ label, change }) => (
          <Button
            key={label}
            onClick={() => apply((work) => applyMend(work, finding, change, (id) => editions.get(id)))}
          >
            {label}
          </Button>
        ))}
        <Button look="quiet" onClick={() => setAside(!aside)} aria-expanded={aside}>
          Ignore
        </Button>
      </div>
      {aside && <SetAsideForm finding={finding} />}
    </div>
  );
}
