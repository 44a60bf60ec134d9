import type { StackLayer } from '../model/template';
import type { LayerBinding, MeasureContext, Measured } from './layerKind';
import { NO_TEXT } from './layerKind';
import { choiceProperty, numberProperty } from './properties';

/** A stack with its properties; members that are absent take no room and no gap. */
export function bindStack(layer: StackLayer): LayerBinding {
  return {
    kindLabel: 'stack',
    unitKinds: ['layer'],
    properties: () => [
      numberProperty('gapU', 'Gap', ['u', -400, 1000, 1], layer.gapU, (gapU) => ({ ...layer, gapU })),
      choiceProperty(
        'direction',
        'Runs',
        [
          { value: 'down', label: 'Down' },
          { value: 'along', label: 'Along' },
        ],
        layer.direction,
        (direction) => ({ ...layer, direction }),
      ),
      choiceProperty(
        'align',
        'Lined up',
        [
          { value: 'start', label: 'Start' },
          { value: 'centre', label: 'Middle' },
          { value: 'end', label: 'End' },
        ],
        layer.align,
        (align) => ({ ...layer, align }),
      ),
    ],
    dependsOn: [],
    measuresAfter: layer.members,
    measure: (context) => measureStack(layer, context),
  };
}

const SHARES = { start: 0, centre: 0.5, end: 1 } as const;

function measureStack(layer: StackLayer, context: MeasureContext): Measured | null {
  const members = layer.members.flatMap((id) => {
    const size = context.measuredOf(id);
    return size === null ? [] : [{ id, width: size.width, height: size.height }];
  });
  if (members.length === 0) return null;
  const down = layer.direction === 'down';
  const breadth = Math.max(...members.map((one) => (down ? one.width : one.height)));
  const slots = new Map<string, { x: number; y: number }>();
  let length = 0;
  for (const [i, one] of members.entries()) {
    if (i > 0) length += layer.gapU;
    const aside = (breadth - (down ? one.width : one.height)) * SHARES[layer.align];
    slots.set(one.id, down ? { x: aside, y: length } : { x: length, y: aside });
    length += down ? one.height : one.width;
  }
  const width = down ? breadth : Math.max(0, length);
  const height = down ? Math.max(0, length) : breadth;
  return {
    ...NO_TEXT,
    width,
    height,
    slots,
    firstBaseline: height,
    lastBaseline: height,
    units: () => [],
  };
}
