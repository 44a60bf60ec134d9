'use client';
import { classes } from './classes';

interface Props {
  readonly label: string;
  readonly open: boolean;
  readonly onToggle: () => void;
}

const CUT_CORNER =
  'M3 1.5h10a1.5 1.5 0 0 1 1.5 1.5v7.5L10.5 14.5H3A1.5 1.5 0 0 1 1.5 13V3A1.5 1.5 0 0 1 3 1.5Z';

/** The gold leaf: whether editors may change a property. A click opens or closes it. */
export function Leaf({ label, open, onToggle }: Props) {
  const says = open ? `${label} is open to editors` : `${label} is closed to editors; click to open it`;
  return (
    <button
      type="button"
      aria-pressed={open}
      aria-label={`${label}, open to editors`}
      title={says}
      onClick={onToggle}
      className="grid h-7 w-7 shrink-0 place-items-center rounded-md hover:bg-paper"
    >
      <svg viewBox="0 0 16 16" className="h-4 w-4" aria-hidden="true">
        <path
          d={CUT_CORNER}
          strokeWidth="1.2"
          className={classes(open ? 'fill-leaf-light stroke-leaf' : 'fill-none stroke-line-strong')}
        />
      </svg>
    </button>
  );
}

/** The leaf as a plain mark, in row heads. */
export function LeafMark({ title }: { readonly title: string }) {
  return (
    <svg viewBox="0 0 16 16" className="h-3.5 w-3.5 shrink-0" role="img" aria-label={title}>
      <title>{title}</title>
      <path d={CUT_CORNER} strokeWidth="1.2" className="fill-leaf-light stroke-leaf" />
    </svg>
  );
}
