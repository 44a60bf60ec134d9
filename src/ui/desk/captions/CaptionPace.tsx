'use client';
import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import type { ToldFinding } from '@/core/proof/toldFindings';
import { CHECKS } from '@/core/proof/checks';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Pill } from '../../shared/Pill';
import { useDesk } from '../deskContext';
import { sayNothingOpen } from '../proof/NothingOpen';
import { useProofView } from '../proof/proofView';
import { useTrackCues } from './captionContext';

const PaceChart = dynamic(() => import('./PaceChart').then((module) => module.PaceChart), { ssr: false });

interface Props {
  readonly onSeek: (frame: number) => void;
}

/** All captions of a track: how fast they have to be read along the programme, and what was found in them, by check. */
export function CaptionPace({ onSeek }: Props) {
  const { ui } = useDesk();
  const cues = useTrackCues();
  const { findingsOf, knows, asideOf } = useProofView();
  const groups = useMemo(() => {
    const byCheck = new Map<string, { readonly cueId: string; readonly finding: ToldFinding }[]>();
    for (const { id } of cues)
      for (const finding of findingsOf(id)) {
        const list = byCheck.get(finding.check) ?? [];
        list.push({ cueId: id, finding });
        byCheck.set(finding.check, list);
      }
    return [...byCheck];
  }, [cues, findingsOf]);
  const waiting = cues.filter(({ id }) => !knows(id)).length;
  const starts = new Map(cues.map((cue) => [cue.id, cue.startFrame]));
  const go = (cueId: string, frame: number | null): void => {
    ui.setState({ cueIds: [cueId], panel: 'card' });
    onSeek((starts.get(cueId) ?? 0) + (frame ?? 0));
  };
  if (cues.length === 0) return <p className="p-4 text-soft">There are no captions to read yet.</p>;
  return (
    <section aria-label="Captions of the programme" className="px-4 py-3">
      <PaceChart onSeek={onSeek} />
      <h3 className="caps pt-4 pb-1">Proof</h3>
      {waiting > 0 && <p className="text-soft">{`Looking at ${counted(waiting, 'caption')}…`}</p>}
      {groups.length === 0 && waiting === 0 && (
        <Pill tone="pass">
          {sayNothingOpen(
            cues.map(({ id }) => id),
            asideOf,
          )}
        </Pill>
      )}
      {groups.map(([check, list]) => (
        <details key={check} className="border-b border-line py-1.5">
          <summary className="flex cursor-pointer items-center gap-2">
            <span className="font-semibold">{CHECKS.find(check)?.label ?? check}</span>
            <Pill tone={list[0].finding.tone}>{list.length}</Pill>
          </summary>
          <ul className="max-h-60 overflow-auto pt-1">
            {list.slice(0, MOST_LISTED).map(({ cueId, finding }) => (
              <li key={finding.key}>
                <Button
                  look="quiet"
                  className="w-full justify-start"
                  onClick={() => go(cueId, finding.frame)}
                >
                  <span className="font-mono text-[12px] text-soft">
                    {cues.findIndex(({ id }) => id === cueId) + 1}
                  </span>
                  <span className="truncate font-normal">{finding.message}</span>
                </Button>
              </li>
            ))}
          </ul>
          {list.length > MOST_LISTED && <p className="text-soft">and {list.length - MOST_LISTED} more</p>}
        </details>
      ))}
    </section>
  );
}

const MOST_LISTED = 60;
