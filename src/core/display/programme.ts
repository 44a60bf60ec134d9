import type { Rect } from '../kit/rect';
import { showsAsset, withInner } from './inner';
import { listBounds } from './bounds';
import type { DisplayItem, DisplayList, HexColour } from './list';
import { rectOutline } from './shapes';

/*
 * The programme picture, which lies under all titles, may be seen smaller within one. A display list has it as an image
 * of this name; whoever paints a title over pictures paints it from what lies below. In a file that is laid over the
 * programme later it is a hole, through which the picture is seen that is made smaller behind it.
 */
const PREFIX = 'programme:';

const isProgramme = (asset: string): boolean => asset.startsWith(PREFIX);

type Image = Extract<DisplayItem, { kind: 'image' }>;

/** What an image of a display list is called that shows the programme at a moment; another moment is another picture. */
export function programmeImage(moment: number): string {
  return `${PREFIX}${moment}`;
}

/** The moment at which an image of that name shows the programme; null for another picture. */
export function programmeMoment(asset: string): number | null {
  return isProgramme(asset) ? Number(asset.slice(PREFIX.length)) : null;
}

/** Whether items show the programme anywhere. */
export function showsProgramme(items: readonly DisplayItem[]): boolean {
  return showsAsset(items, isProgramme);
}

/** Where items show the programme at most, in pixels; null where they do not. */
export function programmeBounds(items: readonly DisplayItem[]): Rect | null {
  return listBounds(onlyProgramme(items));
}

/** The same frame with the programme of a moment that its painter knows; itself where it shows none. */
export function programmeAt(list: DisplayList, moment: number): DisplayList {
  if (!showsProgramme(list.items)) return list;
  const items = withProgramme(list.items, (image) => ({ ...image, asset: programmeImage(moment) }));
  return { ...list, items };
}

/** The same items with a plain area in place of the programme, for what has no pictures to show. */
export function programmeStandIn(items: readonly DisplayItem[], colour: HexColour): readonly DisplayItem[] {
  return withProgramme(items, (image) => filled(image, colour));
}

/**
 * The same items with holes where they show the programme: what lies below such an image is cut out by it, as far as it
 * is opaque, and the image itself is nothing. The shadow that it throws stays.
 */
export function programmeCut(items: readonly DisplayItem[]): readonly DisplayItem[] {
  if (!showsProgramme(items)) return items;
  let below: DisplayItem[] = [];
  for (const item of items) {
    if (!showsProgramme([item])) {
      below.push(item);
      continue;
    }
    const hole = onlyProgramme([item]);
    if (hole.length > 0 && below.length > 0)
      below = [{ kind: 'mask', mode: 'out', items: below, mask: hole }];
    below.push(...withoutProgramme(item));
  }
  return below;
}

const BLACK = '#000000';
const inBlack = (items: readonly DisplayItem[]): readonly DisplayItem[] => programmeStandIn(items, BLACK);

function filled({ rect, matrix, opacity }: Image, colour: HexColour): DisplayItem {
  return { kind: 'fill', outline: rectOutline(rect), paint: { kind: 'solid', colour }, matrix, opacity };
}

/** Of an item what is not the programme, cut out by what is within it. */
function withoutProgramme(item: DisplayItem): readonly DisplayItem[] {
  switch (item.kind) {
    case 'image':
    case 'atop':
      return [];
    case 'shadow':
      return [withInner(item, inBlack)];
    case 'mask':
      return [{ ...item, items: programmeCut(item.items), mask: inBlack(item.mask) }];
    default:
      return [withInner(item, programmeCut)];
  }
}

/** Nothing but the areas of the programme, in black, where they are seen. */
function onlyProgramme(items: readonly DisplayItem[]): DisplayItem[] {
  return items.flatMap((item): DisplayItem[] => {
    if (!showsProgramme([item])) return [];
    switch (item.kind) {
      case 'image':
        return [filled(item, BLACK)];
      case 'shadow':
      case 'atop':
        return [];
      case 'mask':
        return [{ ...item, items: onlyProgramme(item.items), mask: inBlack(item.mask) }];
      default:
        return [withInner(item, onlyProgramme)];
    }
  });
}

function withProgramme(
  items: readonly DisplayItem[],
  change: (image: Image) => DisplayItem,
): readonly DisplayItem[] {
  if (!showsProgramme(items)) return items;
  return items.map((item) => {
    if (item.kind !== 'image') return withInner(item, (inner) => withProgramme(inner, change));
    return isProgramme(item.asset) ? change(item) : item;
  });
}
