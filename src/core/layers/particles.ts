import { mixColours } from '../colour/mixStops';
import type { PlacedBox } from '../frame/points';
import type { Rect } from '../kit/rect';
import { middleOf } from '../kit/rect';
import { seededShare } from '../kit/seeded';
import type { ParticlesLayer } from '../model/template';
import type { UnitShape } from '../display/unitShape';
import { pictureAt } from '../display/moving';
import { pathShape, solid } from '../display/unitShape';
import type { LayerBinding, PictureSize } from './layerKind';
import { animatedContent } from './animatedContent';
import { particleOutline } from './particleForms';
import { particlesProperties } from './particlesProperties';

/** Particles with their properties; where each one is follows from the seed and the time alone. */
export function bindParticles(layer: ParticlesLayer): LayerBinding {
  return {
    kindLabel: 'particles',
    unitKinds: ['layer'],
    properties: () => particlesProperties(layer),
    dependsOn: [],
    measuresAfter: [],
    measure: ({ pictures }) => {
      const { picture = null } = layer;
      const size = picture === null ? undefined : pictures.size(picture);
      return animatedContent(layer, (seconds, box, _toPixels, frameSeconds) => {
        const now = picture === null ? null : pictureAt(picture, seconds, frameSeconds);
        return particles({ ...layer, picture: now }, seconds, box, size);
      });
    },
  };
}

const BURST_SECONDS = 2;

function particles(
  layer: ParticlesLayer,
  seconds: number,
  box: PlacedBox,
  size: PictureSize | undefined,
): UnitShape[] {
  const { seed, style, sizeU, speed, spinDegrees = 0, turbulence = 0 } = layer;
  return Array.from({ length: layer.count }, (_, i): UnitShape | null => {
    const share = (k: number): number => seededShare(seed, i * 8 + k);
    // Drawn apart from the others, or every particle of a design from before would lie elsewhere.
    const own = (k: number): number => seededShare(seed + 104_729, i * 8 + k);
    const way = style === 'drift' ? drifting : bursting;
    const { x, y, opacity, life } = way(seconds * speed, box, share);
    if (opacity <= 0) return null;
    const side = sizeU * (0.4 + 0.6 * share(0));
    const stray = (k: number): number => turbulence * strayed(seconds * speed, own(k), own(k + 1));
    const rect = {
      x: x + box.width * stray(0) - side / 2,
      y: y + box.height * stray(2) - side / 2,
      width: side,
      height: side,
    };
    const start = spinDegrees === 0 ? 0 : own(4) * 2 * Math.PI;
    const turnRadians = start + (seconds * spinDegrees * (own(5) * 2 - 1) * Math.PI) / 180;
    return shapeOf(layer, { rect, turnRadians, opacity, life }, size);
  }).filter((shape) => shape !== null);
}

interface Placed {
  /** A square round its middle. */
  readonly rect: Rect;
  readonly turnRadians: number;
  readonly opacity: number;
  /** How much of its life is over, 0 to 1. */
  readonly life: number;
}

function shapeOf(
  layer: ParticlesLayer,
  { rect, turnRadians, opacity, life }: Placed,
  size: PictureSize | undefined,
): UnitShape | null {
  const { form = 'disc', picture = null, colour, endColour = colour } = layer;
  if (picture === null) {
    const own = endColour === colour ? colour : mixColours(colour, endColour, life);
    return pathShape(particleOutline(form, rect, turnRadians), solid(own), opacity);
  }
  // Nothing while the picture is not here.
  if (size === undefined) return null;
  const longest = Math.max(size.widthPx, size.heightPx);
  const width = (rect.width * size.widthPx) / longest;
  const height = (rect.height * size.heightPx) / longest;
  const middle = middleOf(rect);
  return {
    kind: 'image',
    asset: picture,
    sourcePx: { x: 0, y: 0, width: size.widthPx, height: size.heightPx },
    rect: { x: middle.x - width / 2, y: middle.y - height / 2, width, height },
    opacity,
    turnRadians,
  };
}

/** A slow wander between -1 and 1 that begins and goes on differently for each particle: two waves without a common period. */
function strayed(seconds: number, a: number, b: number): number {
  const turn = 2 * Math.PI;
  return (Math.sin(seconds * (0.9 + a) + b * turn) + Math.sin(seconds * (1.7 + 1.3 * b) + a * turn)) / 2;
}

interface Speck {
  readonly x: number;
  readonly y: number;
  readonly opacity: number;
  readonly life: number;
}

function drifting(seconds: number, box: PlacedBox, share: (k: number) => number): Speck {
  const risen = (share(1) + seconds * (0.05 + 0.08 * share(2))) % 1;
  const sway = Math.sin(seconds * (0.5 + share(3)) + share(4) * 6.28) * 0.03;
  const edge = Math.min(1, Math.min(risen, 1 - risen) * 6);
  return {
    x: box.x + box.width * (share(5) + sway),
    y: box.y + box.height * (1 - risen),
    opacity: edge * (0.35 + 0.65 * share(6)),
    life: risen,
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
    life: through,
  };
}
