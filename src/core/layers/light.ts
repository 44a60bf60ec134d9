import type { LightLayer } from '../model/template';
import { ellipseOutline } from '../display/shapes';
import type { LayerBinding } from './layerKind';
import { animatedContent } from './animatedContent';
import { pathShape } from '../display/unitShape';
import { colourProperty, numberProperty } from './properties';

// How long the light takes to wander from one side of its way to the other.
const CROSSING_SECONDS = 3;

/**
 * A light with its properties: strongest in the middle, nothing at the rim, seen only where layers below it are.
 * It wanders to and fro over its way, starting on the left.
 */
export function bindLight(layer: LightLayer): LayerBinding {
  return {
    kindLabel: 'light',
    unitKinds: ['layer'],
    properties: () => [
      colourProperty('colour', 'Colour', layer.colour, (colour) => ({ ...layer, colour })),
      numberProperty('widthU', 'Width', ['u', 4, 6000, 4], layer.widthU, (widthU) => ({ ...layer, widthU })),
      numberProperty('heightU', 'Height', ['u', 4, 6000, 4], layer.heightU, (heightU) => ({
        ...layer,
        heightU,
      })),
      numberProperty('travelU', 'Wanders', ['u', 0, 6000, 4], layer.travelU, (travelU) => ({
        ...layer,
        travelU,
      })),
    ],
    dependsOn: [],
    measuresAfter: [],
    measure: () =>
      animatedContent(layer, (seconds, box) => {
        const swing = (1 - Math.cos((seconds / CROSSING_SECONDS) * Math.PI)) / 2;
        const dx = (swing - 0.5) * layer.travelU;
        const steps = [0, 0.25, 0.5, 0.75, 1];
        // A cosine falls off without a visible rim; five stops follow it within 2 %.
        const stops = steps.map((at) => ({
          at,
          colour: layer.colour,
          opacity: (1 + Math.cos(at * Math.PI)) / 2,
        }));
        const x = box.x + dx;
        const radius = Math.max(box.width, box.height) / 2;
        const centre = { x: x + box.width / 2, y: box.y + box.height / 2 };
        return [pathShape(ellipseOutline({ ...box, x }), { kind: 'radial', centre, radius, stops })];
      }),
  };
}
