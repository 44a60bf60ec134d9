import { assertNever } from '../kit/assertNever';
import type { Rect } from '../kit/rect';
import { listBounds } from './bounds';
import type { DisplayItem, DisplayList, HexColour } from './list';
import { rectOutline } from './shapes';

/*
 * The programme picture, which lies under all titles, may be seen smaller within one. A display list has it as an image
 * of this name; whoever paints a title over pictures paints it from what lies below. In a file that is laid over the
 * programme later it is a hole, through which the picture is seen that is made smaller behind it.
 */
const PREFIX = 'programme:';

type Image = Extract<DisplayItem, { kind: 'image' }>;

/** What an image of a display list is called that shows the programme at a moment; another moment is another picture. */
export function programmeImage(moment: number): string {
  return `${PREFIX}${moment}`;
}

/** The moment at which an image of that name shows the programme; null for another picture. */
export function programmeMoment(asset: string): number | null {
  return asset.startsWith(PREFIX) ? Number(asset.slice(PREFIX.length)) : null;
}

/** Whether items show the programme anywhere. */
export function showsProgramme(items: readonly DisplayItem[]): boolean {
  return items.some((item) => {
    switch (item.kind) {
      case 'image':
        return item.asset.startsWith(PREFIX);
      case 'fill':
      case 'stroke':
        return false;
      case 'mask':
        return showsProgramme(item.items) || showsProgramme(item.mask);
      case 'average':
        return item.exposures.some(showsProgramme);
      case 'clip':
      case 'group':
      case 'atop':
      case 'shadow':
      case 'blur':
      case 'warp':
        return showsProgramme(item.items);
      default:
        return assertNever(item, 'display item');
    }
  });
}

/** Where items show the programme at most, in pixels; null where they do not. */
export function programmeBounds(items: readonly DisplayItem[]): Rect | null {
  return listBounds(onlyProgramme(items));
}

/** The same frame with the programme of a moment that its painter knows; itself where it shows none. */
export function programmeAt(list: DisplayList, moment: number): DisplayList {
  if (!showsProgramme(list.items)) return list;
  const items = withProgramme(list.items, (image) => [{ ...image, asset: programmeImage(moment) }]);
  return { ...list, items };
}

/** The same items with a plain area in place of the programme, for what has no pictures to show. */
export function programmeStandIn(items: readonly DisplayItem[], colour: HexColour): readonly DisplayItem[] {
  return withProgramme(items, (image) => [filled(image, colour)]);
}

/**
 * The same items with holes where they show the programme: what lies below such an image is cut out by it, as far as it
 * is opaque, and the image itself is nothing. The shadow that it throws stays.
 */
export function programmeCut(items: readonly DisplayItem[]): readonly DisplayItem[] {
  let below: readonly DisplayItem[] = [];
  for (const item of items) {
    if (!showsProgramme([item])) {
      below = [...below, item];
      continue;
    }
    const hole = item.kind === 'shadow' ? [] : onlyProgramme([item]);
    const cut: readonly DisplayItem[] =
      hole.length === 0 || below.length === 0
        ? below
        : [{ kind: 'mask', mode: 'out', items: below, mask: hole }];
    below = [...cut, ...withoutProgramme(item)];
  }
  return below;
}

const BLACK = '#000000';

function filled({ rect, matrix, opacity }: Image, colour: HexColour): DisplayItem {
  return { kind: 'fill', outline: rectOutline(rect), paint: { kind: 'solid', colour }, matrix, opacity };
}

/** Of an item what is not the programme, cut out by what is within it. */
function withoutProgramme(item: DisplayItem): readonly DisplayItem[] {
  switch (item.kind) {
    case 'image':
    case 'atop':
      return [];
    case 'fill':
    case 'stroke':
      return [item];
    case 'shadow':
      return [{ ...item, items: programmeStandIn(item.items, BLACK) }];
    case 'average':
      return [{ ...item, exposures: item.exposures.map(programmeCut) }];
    case 'mask':
      return [{ ...item, items: programmeCut(item.items), mask: programmeStandIn(item.mask, BLACK) }];
    case 'clip':
    case 'group':
    case 'blur':
    case 'warp':
      return [{ ...item, items: programmeCut(item.items) }];
    default:
      return assertNever(item, 'display item');
  }
}

/** Nothing but the areas of the programme, in black, where they are seen. */
function onlyProgramme(items: readonly DisplayItem[]): DisplayItem[] {
  return items.flatMap((item): DisplayItem[] => {
    switch (item.kind) {
      case 'image':
        return item.asset.startsWith(PREFIX) ? [filled(item, BLACK)] : [];
      case 'fill':
      case 'stroke':
      case 'shadow':
      case 'atop':
        return [];
      case 'average':
        return [{ ...item, exposures: item.exposures.map(onlyProgramme) }];
      case 'mask': {
        const inner = onlyProgramme(item.items);
        return inner.length === 0
          ? []
          : [{ ...item, items: inner, mask: programmeStandIn(item.mask, BLACK) }];
      }
      case 'clip':
      case 'group':
      case 'blur':
      case 'warp': {
        const inner = onlyProgramme(item.items);
        return inner.length === 0 ? [] : [{ ...item, items: inner }];
      }
      default:
        return assertNever(item, 'display item');
    }
  });
}

function withProgramme(
  items: readonly DisplayItem[],
  change: (image: Image) => DisplayItem[],
): readonly DisplayItem[] {
  if (!showsProgramme(items)) return items;
  const inner = (list: readonly DisplayItem[]): readonly DisplayItem[] => withProgramme(list, change);
  return items.flatMap((item): DisplayItem[] => {
    switch (item.kind) {
      case 'image':
        return item.asset.startsWith(PREFIX) ? change(item) : [item];
      case 'fill':
      case 'stroke':
        return [item];
      case 'mask':
        return [{ ...item, items: inner(item.items), mask: inner(item.mask) }];
      case 'average':
        return [{ ...item, exposures: item.exposures.map(inner) }];
      case 'clip':
      case 'group':
      case 'atop':
      case 'shadow':
      case 'blur':
      case 'warp':
        return [{ ...item, items: inner(item.items) }];
      default:
        return assertNever(item, 'display item');
    }
  });
}
