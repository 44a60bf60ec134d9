'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Mend } from '@/core/proof/finding';
import { applyMend } from '@/core/proof/mend';
import type { ToldFinding } from '@/core/proof/toldFindings';
import type { TriedMend } from '@/core/proof/tryMend';
import { Button } from '../../shared/Button';
import { Pill } from '../../shared/Pill';
import { numbersOf, useApplyWork, useDesk, usePlan, useSelect, useTitles } from '../deskContext';
import { SetAsideForm } from './SetAsideForm';
import { useTriedMends } from './useTriedMends';

// Charts are only fetched once there is something to draw.
const MeasurementChart = dynamic(
  () => import('./MeasurementChart').then((module) => module.MeasurementChart),
  { ssr: false },
);

export type Look = (titleId: string, frame: number | null) => void;

interface Props {
  readonly finding: ToldFinding;
  readonly onLook: Look;
  readonly numbered: boolean;
}

/** One finding: what it is and where, how it was measured, what mends it. */
export function FindingItem({ finding, onLook, numbered }: Props) {
  const { ui } = useDesk();
  const titles = useTitles();
  const { deliveries } = usePlan();
  const select = useSelect();
  const [aside, setAside] = useState(false);
  const names = deliveries.filter(({ id }) => finding.deliveryIds.includes(id)).map(({ name }) => name);
  const title = titles.find(({ id }) => id === finding.titleId);
  const look = (frame: number | null): void => {
    select(finding.titleId);
    if (finding.deliveryId !== null) ui.setState({ deliveryId: finding.deliveryId });
    onLook(finding.titleId, frame);
  };
  return (
    <div className="py-2">
      <button
        type="button"
        onClick={() => look(finding.frame)}
        className="flex w-full flex-wrap items-center gap-x-2 gap-y-1 text-left"
      >
        {numbered && (
          <span className="font-mono text-[12px] text-soft">{numbersOf(titles).get(finding.titleId)}</span>
        )}
        <Pill tone={finding.tone}>{finding.message}</Pill>
        {names.length > 0 && deliveries.length > 1 && (
          <span className="text-[12px] text-soft">
            {names.length === deliveries.length ? 'in every delivery' : names.join(', ')}
          </span>
        )}
      </button>
      <p className="pt-1 text-soft">{finding.detail}</p>
      {finding.measurement !== undefined && title !== undefined && !numbered && (
        <MeasurementChart measurement={finding.measurement} startFrame={title.startFrame} onLook={look} />
      )}
      <div className="flex flex-wrap gap-1.5 pt-1.5">
        {numbered ? (
          <Button look="quiet" onClick={() => look(finding.frame)}>
            Look at it
          </Button>
        ) : (
          <Mends finding={finding} />
        )}
        <Button look="quiet" onClick={() => setAside(!aside)} aria-expanded={aside}>
          Ignore
        </Button>
      </div>
      {aside && <SetAsideForm finding={finding} />}
    </div>
  );
}

/** What mends a finding: only what was tried and does, with what else it would bring about. */
function Mends({ finding }: { readonly finding: ToldFinding }) {
  const { editions, ui } = useDesk();
  const apply = useApplyWork();
  const select = useSelect();
  const mends = useTriedMends(finding);
  const use = ({ change }: Mend): void => {
    if (change.kind !== 'quiet') {
      apply((work) => applyMend(work, finding, change, (id) => editions.get(id)));
      return;
    }
    select(finding.titleId);
    const { deliveryId } = finding;
    ui.setState({ dialog: 'quiet', ...(deliveryId === null ? {} : { deliveryId }) });
  };
  if (mends === null) return <span className="py-1 text-[12px] text-soft">Trying what would mend it…</span>;
  return mends.map(({ mend, outcome }) => (
    <Button key={mend.label} onClick={() => use(mend)} title={causesOf(outcome)}>
      {mend.label}
      {outcome.causes.length > 0 && (
        <span className="font-normal text-soft">{`, would bring: ${outcome.causes[0].message}`}</span>
      )}
    </Button>
  ));
}

const causesOf = ({ causes }: TriedMend<Mend>['outcome']): string | undefined =>
  causes.length === 0 ? undefined : `Would bring: ${causes.map(({ message }) => message).join(', ')}`;
