import { listBounds } from '../display/bounds';
import type { DisplayItem } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { flatFill } from './atop';
import type { PosedUnit } from './columns';
import { mapItem } from './dressItems';

/** Items over themselves in the colours of their fringes, moved to one side and to the other. */
export function fringed({ acts }: PosedUnit, items: DisplayItem[], toPixels: Matrix): DisplayItem[] {
  const act = acts.find(({ pose, plan }) => pose.fringeU !== 0 && plan.fringes !== undefined);
  const bounds = act === undefined ? null : listBounds(items);
  if (act?.plan.fringes === undefined || bounds === null) return items;
  const byPx = act.pose.fringeU * toPixels[0];
  const ghosts = act.plan.fringes.map((colour, i): DisplayItem => {
    const across = i === 0 ? byPx : -byPx;
    const own = items.map((item) => mapItem(item, [1, 0, 0, 1, across, 0]));
    const area = { ...bounds, x: bounds.x + across };
    return { kind: 'mask', mode: 'in', items: [flatFill(area, colour, 1)], mask: own };
  });
  return [...ghosts, ...items];
}
