'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Mend } from '@/core/proof/finding';
import type { ToldFinding } from '@/core/proof/toldFindings';
import type { TriedMend } from '@/core/proof/tryMend';
import { worthOffering } from '@/core/proof/tryMend';
import { useProofDesk, useProofView } from './proofView';

/** Whether a mend is a proposal that asks a person first; there is nothing to try in it. */
const asks = ({ change }: Mend): boolean => change.kind === 'quiet';

const UNTRIED = { mends: true, causes: [] };

/** The mends of a finding that were tried and do mend it, the best first; null while they are being tried. */
export function useTriedMends(finding: ToldFinding): readonly TriedMend<Mend>[] | null {
  const desk = useProofDesk();
  const { knows } = useProofView();
  const [tried, setTried] = useState<{ readonly of: string; readonly list: readonly TriedMend<Mend>[] }>();
  // The same finding comes as a new object with every word typed.
  const said = JSON.stringify([finding.titleId, finding.check, finding.subject, finding.mends]);
  const ready = knows(finding.titleId);
  const { toTry, open } = useMemo(
    () => ({ toTry: finding.mends.filter((mend) => !asks(mend)), open: finding.mends.filter(asks) }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it says, not the object that says it
    [said],
  );
  useEffect(() => {
    if (!ready || toTry.length === 0) return;
    let left = false;
    void desk.tryMends(toTry.map(({ change }) => ({ finding, change }))).then((outcomes) => {
      if (left) return;
      const known = outcomes.flatMap((outcome, i) => (outcome === null ? [] : [{ mend: toTry[i], outcome }]));
      setTried({ of: said, list: worthOffering(known) });
    });
    return () => {
      left = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it says, not the object that says it
  }, [desk, said, ready, toTry]);
  if (toTry.length > 0 && tried?.of !== said) return null;
  const list = toTry.length === 0 ? [] : (tried?.list ?? []);
  return [...list, ...open.map((mend) => ({ mend, outcome: UNTRIED }))];
}
