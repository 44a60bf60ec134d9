import { paintedFormat } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { safeArea } from '../frame/safeAreas';
import type { PictureSizes } from '../layers/layerKind';
import type { Delivery } from '../model/plan';
import type { ShownTitle } from '../project/deliver';
import { deliveryLanguage, showTitle } from '../project/deliver';
import { titleTemplate } from '../project/titleTemplate';
import { picturesOf } from '../resolve/pictures';
import type { FontLibrary } from '../text/fontLibrary';
import type { Check, LayoutContext, TitleContext } from './check';
import type { Eyes } from './eyes';
import type { Speller } from './speller';
import type { ProofSurroundings } from './titleContext';
import { restingFrame } from '../titleTime/stretch';

/** What a proof works with. */
export interface ProofTools {
  readonly fonts: FontLibrary;
  readonly eyes: Eyes;
  readonly speller: Speller;
  readonly pictures?: PictureSizes;
  /** The checks that are run; all when left out. */
  readonly checks?: readonly Check[];
}

// Wide enough to measure letters by; thin lines are measured in a picture of nearly the frame's own size.
const WIDTH_PX = 360;
const INTERLACED_WIDTH_PX = 1440;

/** What checks of the layout know of a title in a delivery. Throws InputError for one that cannot be laid out. */
export function layoutContext(
  context: TitleContext,
  delivery: Delivery,
  around: ProofSurroundings,
  { fonts, pictures, eyes }: ProofTools,
): LayoutContext {
  const { title, template, values, timing, rate } = context;
  const language = title.caption?.language ?? deliveryLanguage(around.plan, delivery.id, around.house);
  const whole = paintedFormat(delivery.format, delivery.interlaced);
  const showAt = (widthPx: number): ShownTitle => {
    const format = previewFormat(whole, Math.min(widthPx, whole.widthPx));
    return showTitle(title, template, values, format, rate, fonts, pictures, language);
  };
  const shown = showAt(delivery.interlaced ? INTERLACED_WIDTH_PX : WIDTH_PX);
  const own = around.house.areas.find(({ format }) => format === delivery.format);
  const counted =
    own === undefined || template.areas.some(({ format }) => format === delivery.format)
      ? shown.compiled.format
      : { ...shown.compiled.format, ownTitleSafe: own };
  const missingPictures =
    pictures === undefined
      ? []
      : picturesOf(titleTemplate(template, title, values), { format: whole, values }).filter(
          (id) => pictures.size(id) === undefined,
        );
  return {
    ...context,
    delivery,
    shown,
    safe: safeArea(counted, 'titleSafe'),
    restingFrame: restingFrame(timing),
    eyes,
    missingPictures,
    showAt,
  };
}
