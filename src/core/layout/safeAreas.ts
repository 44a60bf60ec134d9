import type { Rect } from '../kit/rect';
import type { FrameFormat, Shape } from './formats';
import { pictureSize } from './formats';

/** Margins as shares of the picture's width (left, right) and height (top, bottom). */
interface Margins {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export type SafeAreaId = 'frame' | 'actionSafe' | 'titleSafe';

const even = (share: number): Margins => ({ left: share, top: share, right: share, bottom: share });

const NO_MARGINS = even(0);

// Wide: EBU R 95 and SMPTE ST 2046-1. Classic: legacy SMPTE RP 218 practice. Tall and square have no
// broadcast standard; tall leaves room for other people's buttons above and below.
const MARGINS: Readonly<Record<Shape, Readonly<Record<'actionSafe' | 'titleSafe', Margins>>>> = {
  wide: { actionSafe: even(0.035), titleSafe: even(0.05) },
  classic: { actionSafe: even(0.05), titleSafe: even(0.1) },
  square: { actionSafe: even(0.035), titleSafe: even(0.05) },
  tall: {
    actionSafe: { left: 0.035, top: 0.1, right: 0.035, bottom: 0.15 },
    titleSafe: { left: 0.05, top: 0.12, right: 0.05, bottom: 0.18 },
  },
};

/** An area of the picture in design units; `frame` is the whole picture. */
export function safeArea(format: FrameFormat, area: SafeAreaId): Rect {
  const { widthU, heightU } = pictureSize(format);
  const margins = area === 'frame' ? NO_MARGINS : MARGINS[format.shape][area];
  return {
    x: margins.left * widthU,
    y: margins.top * heightU,
    width: (1 - margins.left - margins.right) * widthU,
    height: (1 - margins.top - margins.bottom) * heightU,
  };
}
