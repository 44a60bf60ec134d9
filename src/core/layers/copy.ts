import type { CopyLayer } from '../model/template';
import type { LayerBinding } from './layerKind';
import { NO_TEXT } from './layerKind';
import { numberProperty } from './properties';

/** A linked copy with its properties; it is as large as its original and absent when that is. */
export function bindCopy(layer: CopyLayer): LayerBinding {
  return {
    kindLabel: 'linked copy',
    unitKinds: ['layer'],
    properties: () => [
      numberProperty('delaySeconds', 'Later by', ['s', 0, 60, 0.04], layer.delaySeconds, (delaySeconds) => ({
        ...layer,
        delaySeconds,
      })),
    ],
    dependsOn: [layer.of],
    measuresAfter: [],
    measure(context) {
      const original = context.boxOf(layer.of);
      if (original === null) return null;
      const { width, height, firstBaseline, lastBaseline } = original;
      return {
        ...NO_TEXT,
        width,
        height,
        firstBaseline,
        lastBaseline,
        units: (_kind, box) => [{ box, ink: box, shapes: [] }],
      };
    },
  };
}
