import { limitToComposite } from '@/core/colour/gamut';
import type { DisplayList } from '@/core/display/list';
import type { Painter } from './painter';
import type { Surface, SurfaceContext } from './surface';

/**
 * Paints frames over what the context shows, their colours held to those of composite video, as files of a delivery that
 * asks for it have them. `own` is a surface as large as the frames; what it showed is gone.
 */
export function paintLimited(
  painter: Painter,
  context: SurfaceContext,
  lists: readonly DisplayList[],
  own: Surface,
): void {
  if (lists.length === 0) return;
  const [{ widthPx, heightPx }] = lists;
  own.context.setTransform(1, 0, 0, 1, 0, 0);
  own.context.clearRect(0, 0, widthPx, heightPx);
  for (const list of lists) painter.paint(own.context, list);
  own.changePixels(widthPx, heightPx, (data) => limitToComposite(data, 255));
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.drawImage(own.image, 0, 0);
}
