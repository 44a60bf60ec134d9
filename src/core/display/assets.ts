import { assertNever } from '../kit/assertNever';
import type { DisplayItem } from './list';

/** The pictures that some items show, by asset id; one that is shown twice comes twice. */
export function assetsOf(items: readonly DisplayItem[]): string[] {
  return items.flatMap((item) => {
    switch (item.kind) {
      case 'image':
        return [item.asset];
      case 'fill':
      case 'stroke':
        return [];
      case 'mask':
        return [...assetsOf(item.items), ...assetsOf(item.mask)];
      case 'average':
        return item.exposures.flatMap(assetsOf);
      case 'clip':
      case 'group':
      case 'atop':
      case 'shadow':
      case 'blur':
      case 'warp':
        return assetsOf(item.items);
      default:
        return assertNever(item, 'display item');
    }
  });
}
