import type { GroupLayer } from '../model/template';
import { unionRects } from '../kit/rect';
import type { LayerBinding } from './layerKind';
import { NO_TEXT } from './layerKind';

/** A group with its properties; it lies where its members lie and is as large as they are together. */
export function bindGroup(layer: GroupLayer): LayerBinding {
  return {
    kindLabel: 'group',
    unitKinds: ['layer', 'member'],
    properties: () => [],
    dependsOn: layer.members,
    measuresAfter: [],
    measure(context) {
      const members = layer.members.flatMap((id) => {
        const box = context.boundsOf(id);
        return box === null ? [] : [{ box, ink: box, shapes: [], memberId: id }];
      });
      const around = unionRects(members.map(({ box }) => box));
      if (around === null) return null;
      return {
        ...NO_TEXT,
        ...around,
        firstBaseline: around.height,
        lastBaseline: around.height,
        units: (kind, box) => (kind === 'member' ? members : [{ box, ink: box, shapes: [] }]),
      };
    },
  };
}
