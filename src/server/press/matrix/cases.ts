import { FORMATS } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import { hasGround, isFillAndKey } from '@/core/outputs/output';
import { pairwise } from './pairwise';

/** One file, or one pair of fill and key, that is made and looked at. */
export interface MatrixCase {
  readonly output: string;
  readonly rate: string;
  readonly format: string;
  readonly interlaced: boolean;
  readonly premultiplied: boolean;
  readonly fine: boolean;
}

// What lies over pictures is a programme, which has its own tests.
const KINDS = OUTPUTS.list.filter((output) => !hasGround(output));

function allowed({ output, rate, format, interlaced, premultiplied }: MatrixCase): boolean {
  const { fields, canPremultiply, squareOnly } = OUTPUTS.get(output);
  if (premultiplied && !canPremultiply) return false;
  const { shape, heightPx, pixelAspect } = FORMATS.get(format);
  if (squareOnly && pixelAspect.across !== pixelAspect.down) return false;
  // Fields are of broadcast pictures at broadcast rates.
  const hasFields = shape !== 'tall' && heightPx <= 1080 && (rate === '25' || rate === '29.97');
  return !interlaced || (fields && hasFields);
}

/** Every two values together at least once. */
export const WHOLE_MATRIX: readonly MatrixCase[] = pairwise(
  {
    output: KINDS.map(({ id }) => id),
    rate: ['23.976', '25', '29.97', '50', '59.94'],
    format: ['wide-1080', 'wide-2160', 'tall-1080', 'classic-576', 'wide-480'],
    interlaced: [false, true],
    premultiplied: [false, true],
    fine: [false, true],
  },
  allowed,
);

const SMALL = 'custom-640x360';

/** Every kind of file once, the other values in turn, none of them large. */
export const SHORT_MATRIX: readonly MatrixCase[] = KINDS.map((output, i) => {
  const interlaced = i % 2 === 0 && output.fields;
  return {
    output: output.id,
    rate: interlaced ? (i % 4 === 0 ? '25' : '29.97') : ['59.94', '23.976', '50'][i % 3],
    format: output.squareOnly ? SMALL : i % 4 === 0 ? 'classic-576' : i % 4 === 2 ? 'wide-480' : SMALL,
    interlaced,
    premultiplied: output.canPremultiply && (i % 3 === 0 || isFillAndKey(output)),
    fine: i % 2 === 1,
  };
});
