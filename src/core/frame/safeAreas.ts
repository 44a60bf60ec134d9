import type { Rect } from '../kit/rect';
import type { FrameFormat, Margins, Shape } from './formats';
import { pictureSize } from './formats';

export const SAFE_AREA_IDS = ['frame', 'actionSafe', 'titleSafe', 'centreCut'] as const;
export type SafeAreaId = (typeof SAFE_AREA_IDS)[number];

export const SAFE_AREA_LABELS: Readonly<Record<SafeAreaId, string>> = {
  titleSafe: 'Title safe',
  actionSafe: 'Action safe',
  frame: 'The frame',
  centreCut: 'Centre cut',
};

const even = (share: number): Margins => ({ left: share, top: share, right: share, bottom: share });

const NO_MARGINS = even(0);

// Wide: EBU R 95 and SMPTE ST 2046-1. Classic: legacy SMPTE RP 218 practice. Tall and square have no
// broadcast standard; tall leaves room for other people's buttons above and below.
const MARGINS: Readonly<Record<Shape, Readonly<Record<'actionSafe' | 'titleSafe', Margins>>>> = {
  ultra: { actionSafe: even(0.035), titleSafe: even(0.05) },
  wide: { actionSafe: even(0.035), titleSafe: even(0.05) },
  classic: { actionSafe: even(0.05), titleSafe: even(0.1) },
  square: { actionSafe: even(0.035), titleSafe: even(0.05) },
  tall: {
    actionSafe: { left: 0.035, top: 0.1, right: 0.035, bottom: 0.15 },
    titleSafe: { left: 0.05, top: 0.12, right: 0.05, bottom: 0.18 },
  },
};

/**
 * An area of the picture in design units; `frame` is the whole picture, `centreCut` the middle that is left of a
 * wider picture when it is shown 4:3 (the whole of one that is not wider).
 */
export function safeArea(format: FrameFormat, area: SafeAreaId): Rect {
  const { widthU, heightU } = pictureSize(format);
  const margins = marginsOf(format, area, widthU / heightU);
  return {
    x: margins.left * widthU,
    y: margins.top * heightU,
    width: (1 - margins.left - margins.right) * widthU,
    height: (1 - margins.top - margins.bottom) * heightU,
  };
}

function marginsOf(format: FrameFormat, area: SafeAreaId, aspect: number): Margins {
  if (area === 'frame') return NO_MARGINS;
  if (area === 'centreCut') {
    const side = Math.max(0, (1 - 4 / 3 / aspect) / 2);
    return { ...NO_MARGINS, left: side, right: side };
  }
  if (area === 'titleSafe' && format.ownTitleSafe !== undefined) return format.ownTitleSafe;
  return MARGINS[format.shape][area];
}
