'use client';
import Link from 'next/link';
import type { ToldFinding } from '@/core/proof/toldFindings';
import { useStore } from 'zustand';
import { ProgressBar } from '../../shared/ProgressBar';
import { useDesk, useDeskUi, usePlan, useTitles } from '../deskContext';
import type { Look } from './FindingItem';
import { FindingItem } from './FindingItem';
import { MendMany } from './MendMany';
import { Programme } from './Programme';
import { useProofDesk, useProofView } from './proofView';
import { SetAsideList } from './SetAsideForm';

const MOST_SHOWN = 60;

interface Props {
  readonly onLook: Look;
  /** The title whose findings come first; left out for the chosen one. */
  readonly titleId?: string;
}

/** What the proof found: in the chosen title, then in the rest of the project, each with its mends. */
export function ProofPanel({ onLook, titleId }: Props) {
  const { projectId } = useDesk();
  const titles = useTitles();
  const { setAside } = usePlan();
  const chosen = useDeskUi((ui) => ui.selection[0] ?? null);
  const selected = titleId ?? chosen;
  const { findingsOf, progress, knows } = useProofView();
  const { failure } = useStore(useProofDesk().store);
  const own = selected === null ? [] : findingsOf(selected);
  const others = titles.filter(({ id }) => id !== selected).flatMap(({ id }) => findingsOf(id));
  return (
    <section aria-label="Proof" className="px-4 py-3">
      <div className="flex items-center gap-2 pb-2">
        <Progress {...progress} known={titles.every(({ id }) => knows(id))} />
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
      <Programme onLook={onLook} />
      {setAside.length > 0 && <SetAsideList />}
    </section>
  );
}

interface ProgressProps {
  readonly done: number;
  readonly total: number;
  /** Whether every title was looked at as it is now: a change counts before the proof has told how far it is. */
  readonly known: boolean;
}

function Progress({ done, total, known }: ProgressProps) {
  if (total === 0)
    return (
      <span className="text-soft" role="status">
        Beginning to look
      </span>
    );
  if (done >= total && known)
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
  readonly findings: readonly ToldFinding[];
  readonly onLook: Look;
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
