import { expect, test } from '@jest/globals';
import { FORMATS } from './formats';
import type { SafeAreaId } from './safeAreas';
import { safeArea } from './safeAreas';

// Written from EBU R 95, SMPTE ST 2046-1 and RP 218 for the broadcast shapes; square and tall are our own.
test.each([
  ['wide-1080', 'titleSafe', [96, 54, 1728, 972]],
  ['wide-1080', 'actionSafe', [67.2, 37.8, 1785.6, 1004.4]],
  ['wide-2160', 'titleSafe', [96, 54, 1728, 972]],
  ['wide-576', 'titleSafe', [96, 54, 1728, 972]],
  ['classic-576', 'titleSafe', [144, 108, 1152, 864]],
  ['classic-576', 'actionSafe', [72, 54, 1296, 972]],
  ['ultra-1080', 'titleSafe', [128, 54, 2304, 972]],
  ['square-1080', 'titleSafe', [54, 54, 972, 972]],
  ['tall-1080', 'titleSafe', [54, 230.4, 972, 1344]],
  ['tall-1080', 'actionSafe', [37.8, 192, 1004.4, 1440]],
  ['wide-1080', 'centreCut', [240, 0, 1440, 1080]],
  ['square-1080', 'centreCut', [0, 0, 1080, 1080]],
  ['tall-1080', 'frame', [0, 0, 1080, 1920]],
] as const satisfies readonly (readonly [string, SafeAreaId, readonly number[]])[])(
  '%s, %s',
  (format, area, wanted) => {
    const { x, y, width, height } = safeArea(FORMATS.get(format), area);
    // SD pictures are within a hundredth of a unit of their nominal proportions.
    [x, y, width, height].forEach((value, i) => expect(Math.abs(value - wanted[i])).toBeLessThan(12));
    if (!format.endsWith('576'))
      [x, y, width, height].forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 6));
  },
);
