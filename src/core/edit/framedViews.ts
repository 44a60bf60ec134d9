import { coverCrop, readView, viewCrop, VIEW_PATH, viewFigures } from '../layers/picture';
import type { PictureSize } from '../layers/layerKind';
import type { Rect } from '../kit/rect';
import { trackOf } from '../model/track';
import type { Keyframe, Layer, Moment, PictureView, Template } from '../model/template';
import { secondsToMoment } from '../titleTime/moments';
import { keySeconds } from '../titleTime/moveKeys';
import { updateLayer } from './editTemplate';
import { setKey, updateTrack } from './editTracks';
import { removeKeys } from './manyKeys';

/** One of the views that a picture goes through. */
export interface FramedView {
  readonly view: PictureView;
  /** When it is seen, in seconds of the design. */
  readonly seconds: number;
  /** Where its key is in the track. */
  readonly index: number;
}

const WHOLE: PictureView = { x: 0.5, y: 0.5, zoom: 1 };
const CLOSER: PictureView = { x: 0.5, y: 0.5, zoom: 1.4 };
// Off and on alike, so that it is as slow at the end as at the start.
const CURVE: Keyframe['curve'] = [0.4, 0, 0.6, 1];
const START: Moment = { from: 'start', offsetSeconds: 0, share: 0 };
const END: Moment = { from: 'end', offsetSeconds: 0, share: 0 };

/** The views that a picture goes through, by their times; none where it is seen as a whole. */
export function framedViews(layer: Layer, timing: Template['timing']): readonly FramedView[] {
  const keys = trackOf(layer, VIEW_PATH)?.keys ?? [];
  return keys
    .flatMap((key, index): FramedView[] => {
      const view = readView(key.value);
      return view === null ? [] : [{ view, seconds: keySeconds(key, timing), index }];
    })
    .sort((a, b) => a.seconds - b.seconds);
}

/** A template whose picture goes from all of it to a closer view, from the title's start to its end. */
export function frameViews(template: Template, layerId: string): Template {
  return updateLayer(template, layerId, (layer) => {
    if (layer.kind !== 'picture') return layer;
    const seen: Layer = { ...layer, view: layer.view ?? WHOLE };
    const first = withView(seen, START, layer.view ?? WHOLE);
    return withView(first, END, CLOSER);
  });
}

/** A template with another view of a picture at a time of the design, as it would be seen there. */
export function addView(template: Template, layerId: string, seconds: number, view: PictureView): Template {
  const moment = secondsToMoment(seconds, template.timing);
  return updateLayer(template, layerId, (layer) => withView(layer, moment, view));
}

/** A template with one of the views changed. */
export function changeView(template: Template, layerId: string, index: number, view: PictureView): Template {
  return changeKey(template, layerId, index, { value: viewFigures(view) });
}

/** A template with one of the views at another time of the design. */
export function moveView(template: Template, layerId: string, index: number, seconds: number): Template {
  return changeKey(template, layerId, index, { moment: secondsToMoment(seconds, template.timing) });
}

function changeKey(template: Template, layerId: string, index: number, change: Partial<Keyframe>): Template {
  return updateTrack(template, layerId, VIEW_PATH, (track) => ({
    ...track,
    keys: track.keys.with(index, { ...track.keys[index], ...change }),
  }));
}

/** A template without one of the views; without the last of them the picture is seen as a whole again. */
export function removeView(template: Template, layerId: string, index: number): Template {
  const without = removeKeys(template, [{ layerId, path: VIEW_PATH, index }]);
  return updateLayer(without, layerId, (layer) =>
    layer.kind === 'picture' && trackOf(layer, VIEW_PATH) === undefined ? { ...layer, view: null } : layer,
  );
}

function withView(layer: Layer, moment: Moment, view: PictureView): Layer {
  const keyed = setKey(layer, VIEW_PATH, moment, viewFigures(view));
  const tracks = keyed.motion.tracks.map((track) =>
    track.path !== VIEW_PATH
      ? track
      : {
          ...track,
          keys: track.keys.map((key, i) => (i === track.keys.length - 1 ? { ...key, curve: CURVE } : key)),
        },
  );
  return { ...keyed, motion: { ...keyed.motion, tracks } };
}

/** A view kept within a picture as it is shown in a box: its middle where nothing beyond an edge is asked for. */
export function keptInside(view: PictureView, size: PictureSize, box: Rect): PictureView {
  const zoom = Math.max(1, Math.min(50, view.zoom));
  const { x, y, width, height } = viewCrop(size, box, { ...view, zoom });
  return { x: (x + width / 2) / size.widthPx, y: (y + height / 2) / size.heightPx, zoom };
}

/** Where a view lies in its picture, as shares of the picture's width and height. */
export function viewRect(view: PictureView, size: PictureSize, box: Rect): Rect {
  const { x, y, width, height } = viewCrop(size, box, view);
  return {
    x: x / size.widthPx,
    y: y / size.heightPx,
    width: width / size.widthPx,
    height: height / size.heightPx,
  };
}

/** How many times as large as the whole a view is that is so wide, as a share of the picture's width. */
export function zoomOf(widthShare: number, size: PictureSize, box: Rect): number {
  return coverCrop(size, box).width / size.widthPx / Math.max(1e-6, widthShare);
}
