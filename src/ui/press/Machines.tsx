import type { PressMachine } from '@/contract/jobs';
import { counted } from '../shared/counted';

interface MachinesProps {
  readonly machines: readonly PressMachine[];
}

/** Which machines make titles, and how many at once; says what to do while there is none. */
export function Machines({ machines }: MachinesProps) {
  const able = machines.filter(({ lanes }) => lanes > 0);
  if (able.length === 0)
    return (
      <p role="alert" className="border-b border-line bg-leaf-wash px-4 py-2 text-leaf-ink">
        No machine makes titles at the moment: what is sent waits. Start one with ./press-worker, or set
        GILDER_LANES to 1 or more for this server.
      </p>
    );
  const lanes = able.reduce((sum, machine) => sum + machine.lanes, 0);
  return (
    <p className="border-b border-line px-4 py-2 text-soft">
      {`${counted(able.length, 'machine')}, ${counted(lanes, 'title')} at once: `}
      {able.map(({ name, lanes: own }) => `${name} (${own})`).join(', ')}
    </p>
  );
}
