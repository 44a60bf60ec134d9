'use client';
import type { Output } from '@/core/outputs/output';
import { hasGround } from '@/core/outputs/output';
import { counted } from '../../shared/counted';
import { useDesk, useTitles } from '../deskContext';

interface Props {
  readonly outputs: readonly Output[];
  readonly titleIds: readonly string[];
}

/** Says in which kinds of file the programme that titles show smaller is a hole, for whoever lays them over it. */
export function ProgrammeHoles({ outputs, titleIds }: Props) {
  const { editions } = useDesk();
  const sent = new Set(titleIds);
  const show = useTitles().filter(
    ({ id, editionId }) =>
      sent.has(id) &&
      editions
        .get(editionId)
        ?.document.layers.some(({ kind, visible }) => kind === 'programme' && visible) === true,
  ).length;
  const without = outputs.filter((output) => !hasGround(output)).map(({ short }) => short);
  if (show === 0 || without.length === 0) return null;
  return (
    <p className="mt-2 text-leaf-ink">
      {`${counted(show, 'title shows', 'titles show')} the programme smaller. In ${without.join(', ')} its place is a hole, through which the mixer’s own picture is seen.`}
    </p>
  );
}
