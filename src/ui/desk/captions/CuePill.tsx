'use client';
import { Pill } from '../../shared/Pill';
import { NothingOpen } from '../proof/NothingOpen';
import { useDesk } from '../deskContext';
import { useTitleProof } from '../proof/proofView';

interface Props {
  readonly cueId: string;
  readonly startFrame: number;
  readonly onSeek: (frame: number) => void;
}

/** The worst of what was found in a cue; a click chooses it, where the rest is told, and goes to where it is seen. */
export function CuePill({ cueId, startFrame, onSeek }: Props) {
  const { ui } = useDesk();
  const { told, known, ignored } = useTitleProof(cueId);
  const [worst, ...others] = told;
  if (worst === undefined) return <NothingOpen known={known} ignored={ignored} />;
  return (
    <button
      type="button"
      tabIndex={-1}
      title={worst.detail}
      className="flex min-w-0 items-center gap-1.5"
      onClick={() => {
        ui.setState({ cueIds: [cueId] });
        onSeek(startFrame + (worst.frame ?? 0));
      }}
    >
      <Pill tone={worst.tone}>{worst.message}</Pill>
      {others.length > 0 && <span className="text-[12px] text-soft">+{others.length}</span>}
    </button>
  );
}
