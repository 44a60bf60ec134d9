import type { ParticlesLayer } from '../model/template';
import { ellipseOutline } from '../display/shapes';
import { seededShare } from '../kit/seeded';
import type { PlacedBox } from '../frame/points';
import type { LayerBinding } from './layerKind';
import type { UnitShape } from '../display/unitShape';
import { NO_TEXT } from './layerKind';
import { pathShape, solid } from '../display/unitShape';
import { choiceProperty, colourProperty, numberProperty } from './properties';

/** Particles with their properties; where each one is follows from the seed and the time alone. */
export function bindParticles(layer: ParticlesLayer): LayerBinding {
  const number = (
    path: 'count' | 'sizeU' | 'widthU' | 'heightU' | 'seed',
    label: string,
    range: readonly ['u' | '', number, number, number],
    whole = false,
  ): ReturnType<typeof numberProperty> =>
    numberProperty(path, label, range, layer[path], (v) => ({ ...layer, [path]: whole ? Math.round(v) : v }));
  return {
    kindLabel: 'particles',
    unitKinds: ['layer'],
    properties: () => [
      choiceProperty(
        'style',
        'Behaviour',
        [
          { value: 'drift', label: 'Drift' },
          { value: 'burst', label: 'Burst' },
        ],
        layer.style,
        (style) => ({ ...layer, style }),
      ),
      colourProperty('colour', 'Colour', layer.colour, (colour) => ({ ...layer, colour })),
      number('count', 'How many', ['', 1, 600, 5], true),
      number('sizeU', 'Size', ['u', 0.5, 200, 0.5]),
      numberProperty('speed', 'Pace', ['%', 0, 800, 5], layer.speed * 100, (v) => ({
        ...layer,
        speed: v / 100,
      })),
      number('widthU', 'Width', ['u', 4, 6000, 10]),
      number('heightU', 'Height', ['u', 4, 6000, 10]),
      number('seed', 'Scatter', ['', 0, 9999, 1], true),
    ],
    dependsOn: [],
    measuresAfter: [],
    measure: () => ({
      ...NO_TEXT,
      width: layer.widthU,
      height: layer.heightU,
      firstBaseline: layer.heightU,
      lastBaseline: layer.heightU,
      units: (_kind, box) => [{ box, ink: box, shapes: [] }],
      animate: (seconds, box) => particles(layer, seconds * layer.speed, box),
    }),
  };
}

const BURST_SECONDS = 2;

function particles(layer: ParticlesLayer, seconds: number, box: PlacedBox): UnitShape[] {
  return Array.from({ length: layer.count }, (_, i) => {
    const share = (k: number): number => seededShare(layer.seed, i * 8 + k);
    const radius = (layer.sizeU / 2) * (0.4 + 0.6 * share(0));
    const { x, y, opacity } =
      layer.style === 'drift' ? drifting(seconds, box, share) : bursting(seconds, box, share);
    const disc = { x: x - radius, y: y - radius, width: radius * 2, height: radius * 2 };
    return { shape: pathShape(ellipseOutline(disc), solid(layer.colour), opacity), opacity };
  }).flatMap(({ shape, opacity }) => (opacity > 0 ? [shape] : []));
}

interface Speck {
  readonly x: number;
  readonly y: number;
  readonly opacity: number;
}

function drifting(seconds: number, box: PlacedBox, share: (k: number) => number): Speck {
  const risen = (share(1) + seconds * (0.05 + 0.08 * share(2))) % 1;
  const sway = Math.sin(seconds * (0.5 + share(3)) + share(4) * 6.28) * 0.03;
  const edge = Math.min(1, Math.min(risen, 1 - risen) * 6);
  return {
    x: box.x + box.width * (share(5) + sway),
    y: box.y + box.height * (1 - risen),
    opacity: edge * (0.35 + 0.65 * share(6)),
  };
}

function bursting(seconds: number, box: PlacedBox, share: (k: number) => number): Speck {
  const through = Math.min(1, seconds / BURST_SECONDS);
  const flown = 1 - (1 - through) ** 3;
  const angle = share(1) * 2 * Math.PI;
  const reach = 0.25 + 0.75 * share(2);
  return {
    x: box.x + box.width * (0.5 + 0.5 * Math.cos(angle) * reach * flown),
    y: box.y + box.height * (0.5 + 0.5 * Math.sin(angle) * reach * flown + 0.15 * through * through),
    opacity: through >= 1 ? 0 : (1 - through) ** 0.7,
  };
}
