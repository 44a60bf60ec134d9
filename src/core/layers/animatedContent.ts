import type { Measured } from './layerKind';
import { NO_TEXT } from './layerKind';

/** What a layer measures whose content has a size of its own and moves by itself: one unit, with the shapes that it has at a time. */
export function animatedContent(
  { widthU, heightU }: { readonly widthU: number; readonly heightU: number },
  animate: NonNullable<Measured['animate']>,
): Measured {
  return {
    ...NO_TEXT,
    width: widthU,
    height: heightU,
    firstBaseline: heightU,
    lastBaseline: heightU,
    units: (_kind, box) => [{ box, ink: box, shapes: [] }],
    animate,
  };
}
