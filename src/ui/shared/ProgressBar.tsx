interface Props {
  readonly label: string;
  readonly done: number;
  readonly total: number;
  readonly className?: string;
}

/** How far something is, as a bar that fills. */
export function ProgressBar({ label, done, total, className = 'h-2 w-full' }: Props) {
  const percent = total === 0 ? 0 : (done / total) * 100;
  return (
    <span
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={total}
      aria-valuenow={done}
      className={`block overflow-hidden rounded-full bg-paper ${className}`}
    >
      <span className="block h-full bg-leaf" style={{ width: `${percent}%` }} />
    </span>
  );
}
