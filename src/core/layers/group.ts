import type { GroupLayer } from '../document/template';
import { unionRects } from '../kit/rect';
import type { LayerBinding } from './layerKind';
import { NO_TEXT } from './layerKind';

/** A group with its properties; it lies where its members lie and is as large as they are together. */
export function bindGroup(layer: GroupLayer): LayerBinding {
  return {
    kindLabel: 'group',
    unitKinds: ['layer'],
    properties: () => [],
    dependsOn: layer.members,
    measuresAfter: [],
    measure(context) {
      const around = unionRects(layer.members.flatMap((id) => context.boundsOf(id) ?? []));
      if (around === null) return null;
      return {
        ...NO_TEXT,
        ...around,
        firstBaseline: around.height,
        lastBaseline: around.height,
        units: (_kind, box) => [{ box, ink: box, shapes: [] }],
      };
    },
  };
}
