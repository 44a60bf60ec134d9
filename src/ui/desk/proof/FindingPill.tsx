'use client';
import { Pill } from '../../shared/Pill';
import { NothingOpen } from './NothingOpen';
import { useDesk, useSelect } from '../deskContext';
import { useTitleProof } from './proofView';

interface Props {
  readonly titleId: string;
  readonly onShow: (titleId: string, frame?: number | null) => void;
}

/** The worst of what was found in a title, and how much more there is; a click opens all of it and shows where it is seen. */
export function FindingPill({ titleId, onShow }: Props) {
  const { told, known, ignored } = useTitleProof(titleId);
  const { ui } = useDesk();
  const select = useSelect();
  const [worst, ...others] = told;
  if (worst === undefined) return <NothingOpen known={known} ignored={ignored} />;
  return (
    <button
      type="button"
      tabIndex={-1}
      title={worst.detail}
      className="flex min-w-0 items-center gap-1.5"
      onClick={() => {
        select(titleId);
        ui.setState({ panel: 'proof' });
        onShow(titleId, worst.frame);
      }}
    >
      <Pill tone={worst.tone}>{worst.message}</Pill>
      {others.length > 0 && <span className="text-[12px] text-soft">+{others.length}</span>}
    </button>
  );
}
