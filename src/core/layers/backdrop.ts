import type { BackdropLayer } from '../model/template';
import { rectOutline } from '../display/shapes';
import { PATTERNS } from '../patterns';
import type { Pattern } from '../patterns/pattern';
import type { UnitShape } from '../display/unitShape';
import type { LayerBinding, MeasureContext, Measured, Property } from './layerKind';
import { NO_TEXT } from './layerKind';
import { pathShape } from '../display/unitShape';
import { paintOf } from './paintOf';
import { choiceProperty, colourProperty, numberProperty } from './properties';

/** A background with its properties; it covers the frame. A gradient in its look takes the pattern's place. */
export function bindBackdrop(layer: BackdropLayer): LayerBinding {
  return {
    kindLabel: 'background',
    unitKinds: ['layer'],
    properties: () => backdropProperties(layer),
    dependsOn: [],
    measuresAfter: [],
    measure: (context) => measureBackdrop(layer, context),
  };
}

function backdropProperties(layer: BackdropLayer): Property[] {
  const choices = PATTERNS.list.map(({ id, label }) => ({ value: id, label }));
  return [
    choiceProperty('pattern', 'Pattern', choices, layer.pattern, (pattern) => ({
      ...layer,
      pattern,
      colours: PATTERNS.get(pattern).colours,
    })),
    ...layer.colours.map((colour, i) =>
      colourProperty(`colours.${i}`, `Colour ${i + 1}`, colour, (next) => ({
        ...layer,
        colours: layer.colours.with(i, next),
      })),
    ),
    numberProperty('speed', 'Pace', ['%', 0, 400, 5], layer.speed * 100, (v) => ({
      ...layer,
      speed: v / 100,
    })),
    numberProperty('grain', 'Coarseness', ['%', 10, 400, 5], layer.grain * 100, (v) => ({
      ...layer,
      grain: v / 100,
    })),
    numberProperty('seed', 'Scatter', ['', 0, 9999, 1], layer.seed, (v) => ({
      ...layer,
      seed: Math.round(v),
    })),
  ];
}

function measureBackdrop(layer: BackdropLayer, { frame }: MeasureContext): Measured {
  const pattern = PATTERNS.find(layer.pattern) ?? PATTERNS.list[0];
  const { seed, colours, grain } = layer;
  const base = {
    ...NO_TEXT,
    ...frame,
    firstBaseline: frame.height,
    lastBaseline: frame.height,
  };
  if (layer.look.gradient !== null) {
    const shape = pathShape(rectOutline(frame), paintOf(layer.look, '#000000', frame));
    return { ...base, units: () => [{ box: frame, ink: frame, shapes: [shape] }] };
  }
  if (pattern.still || layer.speed === 0) {
    const shapes = pattern.draw({ rect: frame, seconds: 0, seed, colours, grain });
    return { ...base, units: () => [{ box: frame, ink: frame, shapes }] };
  }
  return {
    ...base,
    units: () => [{ box: frame, ink: frame, shapes: [] }],
    animate: stepped(
      pattern,
      (seconds) => pattern.draw({ rect: frame, seconds, seed, colours, grain }),
      layer.speed,
    ),
  };
}

/** What a pattern shows at a time; one that changes in steps is drawn once for each of them. */
function stepped(
  { steps }: Pattern,
  draw: (seconds: number) => UnitShape[],
  speed: number,
): (seconds: number) => UnitShape[] {
  if (steps === undefined) return (seconds) => draw(seconds * speed);
  const known = new Map<number, UnitShape[]>();
  return (seconds) => {
    const step = Math.floor(seconds * speed * steps.perSecond + 1e-6) % steps.count;
    const shapes = known.get(step) ?? draw(step / steps.perSecond);
    known.set(step, shapes);
    return shapes;
  };
}
