import type { Retime } from '../model/template';
import { assertNever } from '../kit/assertNever';

/** A layer's own time (seconds) at a time of the title that lasts `totalSeconds`; never outside the title. */
export function retimed(retime: Retime | null, seconds: number, totalSeconds: number): number {
  if (retime === null) return seconds;
  return Math.max(0, Math.min(totalSeconds, ownTime(retime, seconds)));
}

function ownTime({ kind, speed, fromSeconds, spanSeconds }: Retime, seconds: number): number {
  const since = seconds - fromSeconds;
  switch (kind) {
    case 'speed':
      // Backwards it starts from the moment and runs to the title's start.
      return fromSeconds + since * speed;
    case 'still':
      return fromSeconds;
    case 'loop':
      return since < 0 ? seconds : fromSeconds + ((since * Math.abs(speed)) % spanSeconds);
    case 'thereAndBack': {
      if (since < 0) return seconds;
      const along = (since * Math.abs(speed)) % (2 * spanSeconds);
      return fromSeconds + (along <= spanSeconds ? along : 2 * spanSeconds - along);
    }
    default:
      return assertNever(kind, 'retiming');
  }
}
