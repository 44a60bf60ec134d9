import { programmeImage } from '../display/programme';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import type { ProgrammeLayer } from '../model/template';
import { animatedContent } from './animatedContent';
import type { LayerBinding } from './layerKind';
import { numberProperty } from './properties';

/** The programme picture with its properties: what lies under the title, whole and smaller, in the frame's proportions. */
export function bindProgramme(layer: ProgrammeLayer): LayerBinding {
  return {
    kindLabel: 'programme picture',
    unitKinds: ['layer'],
    properties: () => [
      numberProperty('widthU', 'Width', ['u', 1, 8000, 1], layer.widthU, (widthU) => ({ ...layer, widthU })),
    ],
    dependsOn: [],
    measuresAfter: [],
    measure: ({ frame }) => {
      const heightU = (layer.widthU * frame.height) / frame.width;
      return animatedContent({ widthU: layer.widthU, heightU }, (seconds, box, toPixels) => [
        {
          kind: 'image',
          asset: programmeImage(seconds),
          sourcePx: framePx(frame, toPixels),
          rect: { x: box.x, y: box.y, width: box.width, height: box.height },
          opacity: 1,
        },
      ]);
    },
  };
}

/** The whole of the frame, in the pixels that are painted. */
function framePx({ width, height }: Rect, [across, , , down]: Matrix): Rect {
  return { x: 0, y: 0, width: Math.round(width * across), height: Math.round(height * down) };
}
