import type { ReactNode } from 'react';
import { classes } from './classes';
import { LeafMark } from './Leaf';

const STEPS = [
  {
    id: 'bench',
    name: 'Bench',
    says: (
      <>
        A designer makes a template. What has gold leaf{' '}
        <span className="inline-block align-[-2px]">
          <LeafMark title="Gold leaf" />
        </span>{' '}
        is open to editors; the rest stays as it was designed. Published, it stands on the Shelf.
      </>
    ),
  },
  {
    id: 'desk',
    name: 'Desk',
    says: 'An editor places it in a project and fills its card. Each use is a title, and is proofed as it is filled.',
  },
  {
    id: 'press',
    name: 'Press',
    says: 'Titles, captions and credits are rendered to files, in the format and rate of every delivery.',
  },
] as const;

interface Props {
  /** The step that this screen is for. */
  readonly here: (typeof STEPS)[number]['id'];
  /** What to do here. */
  readonly children: ReactNode;
}

/** Where there is nothing yet: how a title goes from design to delivery, and what to do on this screen. */
export function FirstSteps({ here, children }: Props) {
  return (
    <div className="mx-auto max-w-[640px] px-6 py-8">
      <p className="pb-6 text-[15px] font-semibold">{children}</p>
      <ol className="grid grid-cols-3 gap-5">
        {STEPS.map(({ id, name, says }) => (
          <li key={id} aria-current={id === here ? 'step' : undefined}>
            <StepPicture step={id} here={id === here} />
            <p className="pt-2 font-serif text-[15px] font-semibold">{name}</p>
            <p className="text-soft">{says}</p>
          </li>
        ))}
      </ol>
    </div>
  );
}

const FRAME = 'fill-card';
const LINE = 'fill-line-strong';
const GOLD = 'fill-leaf-light';

const PICTURES: Readonly<Record<Props['here'], ReactNode>> = {
  // A lower third in its safe area, one line of it with leaf.
  bench: (
    <>
      <rect x="10" y="8" width="140" height="74" className="fill-none stroke-line" strokeDasharray="3 3" />
      <rect x="18" y="52" width="4" height="24" className={GOLD} />
      <path d="M26 54h62v8l-4 4H26Z" className={GOLD} />
      <rect x="26" y="70" width="42" height="5" className={LINE} />
    </>
  ),
  // Rows of a sheet over a strip of time.
  desk: (
    <>
      {[14, 26, 38].map((y, i) => (
        <g key={y}>
          <rect x="12" y={y} width="14" height="5" className={LINE} />
          <rect x="34" y={y} width={[64, 48, 72][i]} height="5" className={i === 1 ? GOLD : LINE} />
        </g>
      ))}
      <path d="M12 56h136" className="stroke-line" />
      <rect x="16" y="64" width="30" height="10" rx="2" className={LINE} />
      <rect x="54" y="64" width="42" height="10" rx="2" className={GOLD} />
      <rect x="106" y="64" width="26" height="10" rx="2" className={LINE} />
    </>
  ),
  // A wide, a square and a tall file.
  press: (
    <>
      <rect x="14" y="26" width="64" height="36" className="fill-none stroke-line-strong" />
      <rect x="20" y="50" width="26" height="5" className={GOLD} />
      <rect x="88" y="28" width="32" height="32" className="fill-none stroke-line-strong" />
      <rect x="93" y="49" width="20" height="5" className={GOLD} />
      <rect x="130" y="24" width="20" height="40" className="fill-none stroke-line-strong" />
      <rect x="133" y="50" width="14" height="5" className={GOLD} />
    </>
  ),
};

function StepPicture({ step, here }: { readonly step: Props['here']; readonly here: boolean }) {
  return (
    <svg viewBox="0 0 160 90" className="w-full" aria-hidden="true">
      <rect
        x="1"
        y="1"
        width="158"
        height="88"
        rx="6"
        strokeWidth={here ? 2 : 1}
        className={classes(FRAME, here ? 'stroke-leaf' : 'stroke-line')}
      />
      {PICTURES[step]}
    </svg>
  );
}
