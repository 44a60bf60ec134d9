'use client';
import { useState } from 'react';
import Link from 'next/link';
import type { Finding } from '@/core/proof/finding';
import { applyMend } from '@/core/proof/mend';
import { CHECKS } from '@/core/proof/checks';
import { useStore } from 'zustand';
import { Button } from '../../shared/Button';
import { KeepForm } from '../../shared/KeepForm';
import { Pill } from '../../shared/Pill';
import { ProgressBar } from '../../shared/ProgressBar';
import { numbersOf, useApplyWork, useDesk, useDeskUi, usePlan, useSelect, useTitles } from '../deskContext';
import { MendMany } from './MendMany';
import { useProofDesk, useProofView, withSetAside } from './proofView';

const MOST_SHOWN = 60;

/** What the proof found: in the chosen title, then in the rest of the project, each with its mends. */
export function ProofPanel({ onLook }: { readonly onLook: (titleId: string, frame: number | null) => void }) {
  const { projectId } = useDesk();
  const titles = useTitles();
  const { setAside } = usePlan();
  const selected = useDeskUi((ui) => ui.selection[0] ?? null);
  const { findingsOf, progress, knows } = useProofView();
  const { failure } = useStore(useProofDesk().store);
  const own = selected === null ? [] : findingsOf(selected);
  const others = titles.filter(({ id }) => id !== selected).flatMap(({ id }) => findingsOf(id));
  return (
    <section aria-label="Proof" className="px-4 py-3">
      <div className="flex items-center gap-2 pb-2">
        <Progress done={progress.done} total={progress.total} />
        <span className="flex-1" />
        <Link
          href={`/desk/${projectId}/proof`}
          target="_blank"
          className="font-semibold text-leaf-ink hover:underline"
        >
          Proof sheet
        </Link>
      </div>
      {failure !== '' && (
        <p role="alert" className="pb-2 text-stop-ink">
          {failure}
        </p>
      )}
      <MendMany findings={[...own, ...others]} />
      {selected !== null && (
        <>
          <h2 className="caps pb-1">The chosen title</h2>
          {own.length === 0 && (
            <p className="pb-2 text-soft">
              {knows(selected) ? 'Nothing was found in it.' : 'It is being looked at.'}
            </p>
          )}
          <List findings={own} onLook={onLook} />
        </>
      )}
      {others.length > 0 && (
        <>
          <h2 className="caps pt-2 pb-1">The other titles</h2>
          <List findings={others.slice(0, MOST_SHOWN)} onLook={onLook} numbered />
          {others.length > MOST_SHOWN && (
            <p className="pt-1 text-soft">and {others.length - MOST_SHOWN} more</p>
          )}
        </>
      )}
      {setAside.length > 0 && <SetAsideList />}
    </section>
  );
}

function Progress({ done, total }: { readonly done: number; readonly total: number }) {
  if (total === 0)
    return (
      <span className="text-soft" role="status">
        Beginning to look
      </span>
    );
  if (done >= total)
    return (
      <span className="text-soft" role="status">
        All looked at
      </span>
    );
  return (
    <span className="flex items-center gap-2 text-soft" role="status">
      <ProgressBar label="Looked at" done={done} total={total} className="h-1.5 w-24" />
      {`${Math.floor((done / total) * 100)} % looked at`}
    </span>
  );
}

interface ListProps {
  readonly findings: readonly Finding[];
  readonly onLook: (titleId: string, frame: number | null) => void;
  readonly numbered?: boolean;
}

function List({ findings, onLook, numbered = false }: ListProps) {
  return (
    <ul className="divide-y divide-line border-y border-line">
      {findings.map((finding) => (
        <li key={finding.key}>
          <FindingItem finding={finding} onLook={onLook} numbered={numbered} />
        </li>
      ))}
    </ul>
  );
}

function FindingItem({
  finding,
  onLook,
  numbered,
}: {
  finding: Finding;
  onLook: ListProps['onLook'];
  numbered: boolean;
}) {
  const { editions, ui } = useDesk();
  const titles = useTitles();
  const { deliveries } = usePlan();
  const apply = useApplyWork();
  const select = useSelect();
  const [aside, setAside] = useState(false);
  const delivery = deliveries.find(({ id }) => id === finding.deliveryId);
  const many = deliveries.length > 1;
  const look = (): void => {
    select(finding.titleId);
    if (finding.deliveryId !== null) ui.setState({ deliveryId: finding.deliveryId });
    onLook(finding.titleId, finding.frame);
  };
  return (
    <div className="py-2">
      <button type="button" onClick={look} className="flex w-full items-center gap-2 text-left">
        {numbered && (
          <span className="font-mono text-[12px] text-soft">{numbersOf(titles).get(finding.titleId)}</span>
        )}
        <Pill tone={finding.tone}>{finding.message}</Pill>
        {delivery !== undefined && many && (
          <span className="truncate text-[12px] text-soft">{delivery.name}</span>
        )}
      </button>
      <p className="pt-1 text-soft">{finding.detail}</p>
      <div className="flex flex-wrap gap-1.5 pt-1.5">
        {finding.mends.map((mend) => (
          <Button
            key={mend.label}
            onClick={() => {
              if (mend.change.kind === 'quiet') {
                select(finding.titleId);
                ui.setState({
                  dialog: 'quiet',
                  ...(finding.deliveryId === null ? {} : { deliveryId: finding.deliveryId }),
                });
              } else apply((work) => applyMend(work, finding, mend.change, (id) => editions.get(id)));
            }}
          >
            {mend.label}
          </Button>
        ))}
        <Button look="quiet" onClick={() => setAside(!aside)} aria-expanded={aside}>
          Set aside
        </Button>
      </div>
      {aside && (
        <KeepForm
          label="Reason"
          placeholder="Why it is right as it is"
          onKeep={(reason) =>
            apply((work) => ({ ...work, plan: withSetAside(work.plan, finding.key, reason) }))
          }
        />
      )}
    </div>
  );
}

/** What somebody decided about, with the reasons; each can be taken up again. */
function SetAsideList() {
  const { setAside } = usePlan();
  const apply = useApplyWork();
  return (
    <details className="pt-3">
      <summary className="caps cursor-pointer">{`${setAside.length} set aside`}</summary>
      <ul className="divide-y divide-line pt-1">
        {setAside.map(({ key, reason }) => (
          <li key={key} className="flex items-center gap-2 py-1.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate">{CHECKS.find(key.split(' ')[0])?.label ?? key}</span>
              <span className="block truncate text-soft">{reason}</span>
            </span>
            <Button onClick={() => apply((work) => ({ ...work, plan: withSetAside(work.plan, key, null) }))}>
              Take up again
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
