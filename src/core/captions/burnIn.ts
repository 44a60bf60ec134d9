import type { DisplayItem } from '../display/list';
import type { FrameFormat } from '../frame/formats';
import { PLAIN_LOOK } from '../model/look';
import { FIRST_STYLE, newTextLayer, placeAt } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import type { Template } from '../model/template';
import { layOutTitle } from '../project/deliver';
import type { Span } from '../project/lanes';
import { meet } from '../project/lanes';
import type { FontLibrary } from '../text/fontLibrary';
import type { TimecodeMode } from '../time/timecode';
import { labelOf } from '../time/timecode';
import type { FrameRate } from '../time/rates';
import { stretchTiming } from '../titleTime/stretch';
import { PLAIN_CAPTION } from './plainCaption';

/** A title whose number is burnt in while it is there. */
interface NumberedSpan extends Span {
  readonly number: number;
}

interface BurnInOf {
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  readonly fonts: FontLibrary;
  /** The label of the programme's first frame, as a count of frames from midnight. */
  readonly firstLabel: number;
  readonly mode: TimecodeMode;
  readonly titles: readonly NumberedSpan[];
}

/** What is burnt in at a frame: its timecode, and the numbers of the titles that are there. */
function burntInWords(
  { rate, mode, firstLabel, titles }: Omit<BurnInOf, 'format' | 'fonts'>,
  frame: number,
): string {
  const now = { startFrame: frame, lengthFrames: 1 };
  const numbers = titles.filter((title) => meet(title, now)).map(({ number }) => number);
  const timecode = labelOf(firstLabel + frame, { rate, mode });
  return numbers.length === 0 ? timecode : `${timecode}   ${numbers.map((number) => `#${number}`).join(' ')}`;
}

/** A small plate at the top of the picture, out of the way of what stands below; figures keep their places. */
const PLATE: Template = {
  ...PLAIN_CAPTION,
  name: 'Burnt in',
  kind: 'corner',
  overrides: [],
  layers: [
    {
      ...newTextLayer('words', 'Words'),
      runs: [{ text: '00:00:00:00' }],
      style: { ...FIRST_STYLE, face: 'hanken-grotesk', weight: 600, sizeU: 34, figures: 'tabular' },
      align: 'left',
      place: placeAt({ point: 'topLeft', target: { kind: 'titleSafe' }, targetPoint: 'topLeft' }),
      look: PLAIN_LOOK,
      motion: motionOf(null, null),
      highlight: { colour: '#000000', opacity: 0.7, padAcrossU: 14, padDownU: 6, radiusU: 3 },
    },
  ],
};

/** The items that are burnt into a frame of a programme, on top of everything. */
export function burnInItems(of: BurnInOf, frame: number): readonly DisplayItem[] {
  const values = { words: burntInWords(of, frame) };
  const { format, rate, fonts } = of;
  const compiled = layOutTitle({ shift: null, edge: null }, PLATE, values, format, fonts);
  const timing = stretchTiming(PLATE.timing, rate.nominal, rate);
  return compiled.frame(0.5, timing).items;
}
