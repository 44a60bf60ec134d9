import { assertNever } from '../kit/assertNever';
import type { DisplayItem } from './list';

/** Whether items show, anywhere in them, a picture whose asset id is one of those that are asked for. */
export function showsAsset(items: readonly DisplayItem[], isAsked: (asset: string) => boolean): boolean {
  const inner = (list: readonly DisplayItem[]): boolean => showsAsset(list, isAsked);
  return items.some((item) => {
    switch (item.kind) {
      case 'image':
        return isAsked(item.asset);
      case 'fill':
      case 'stroke':
        return false;
      case 'mask':
        return inner(item.items) || inner(item.mask);
      case 'average':
        return item.exposures.some(inner);
      case 'clip':
      case 'group':
      case 'moved':
      case 'atop':
      case 'shadow':
      case 'blur':
      case 'warp':
        return inner(item.items);
      default:
        return assertNever(item, 'display item');
    }
  });
}

/** An item with what is in it changed, a mask's own items too; one that has nothing in it stays as it is. */
export function withInner(
  item: DisplayItem,
  change: (items: readonly DisplayItem[]) => readonly DisplayItem[],
): DisplayItem {
  switch (item.kind) {
    case 'image':
    case 'fill':
    case 'stroke':
      return item;
    case 'mask':
      return { ...item, items: change(item.items), mask: change(item.mask) };
    case 'average':
      return { ...item, exposures: item.exposures.map(change) };
    case 'clip':
    case 'group':
    case 'moved':
    case 'atop':
    case 'shadow':
    case 'blur':
    case 'warp':
      return { ...item, items: change(item.items) };
    default:
      return assertNever(item, 'display item');
  }
}
