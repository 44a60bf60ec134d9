import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FORMATS } from '../frame/formats';
import type { PointName } from '../frame/points';
import { resolveLayout } from '../layout/resolveLayout';
import type { PlaceTarget, Template } from '../model/template';
import { resolve } from '../resolve/resolve';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { attachInPlace } from './attachInPlace';
import { setOverride } from './editOverrides';

const [WIDE, TALL] = [FORMATS.get('wide-1080'), FORMATS.get('tall-1080')];
// Boxes have no text, so no font is ever asked for.
const NO_FONTS = {} as FontLibrary;

function boxesOf(template: Template, format = WIDE) {
  const placed = resolveLayout(resolve(template, { format }).template.layers, format, NO_FONTS);
  return new Map([...placed].map(([id, { box }]) => [id, box]));
}

const TARGETS: readonly PlaceTarget[] = [
  { kind: 'frame' },
  { kind: 'titleSafe' },
  { kind: 'actionSafe' },
  { kind: 'layer', layerId: 'other' },
];
const anyPoint = fc.constantFrom<PointName>('topLeft', 'right', 'centre', 'bottom', 'baselineEnd');

test('whatever a layer is attached to, and by which points, it stands where it stood', () => {
  fc.assert(
    fc.property(
      anyPoint,
      anyPoint,
      fc.constantFrom(...TARGETS),
      fc.constantFrom(...TARGETS),
      (point, targetPoint, from, to) => {
        const template = testTemplate([
          testBox('one', { place: place({ point, targetPoint, target: from, dxU: 37.5, dyU: -20 }) }),
          testBox('other', { place: place({ dxU: 612, dyU: 333 }) }),
        ]);
        const before = boxesOf(template);
        const after = attachInPlace(template, { format: WIDE, scope: null }, 'one', to, before);
        expect(after.layers[0].place.target).toEqual(to);
        const [was, is] = [before.get('one'), boxesOf(after).get('one')];
        expect(Math.hypot((is?.x ?? 0) - (was?.x ?? 0), (is?.y ?? 0) - (was?.y ?? 0))).toBeLessThan(0.02);
      },
    ),
    { numRuns: 60, seed: 12 },
  );
});

test('is changed where the change is made, and never attached to itself', () => {
  const template = testTemplate([testBox('one', { place: place({ dxU: 100 }) })], {
    formats: ['wide-1080', 'tall-1080'],
  });
  const scope = { kind: 'shape', id: 'tall' } as const;
  const moved = setOverride(template, scope, 'one', 'place.dxU', 40);
  const where = { format: TALL, scope };
  const after = attachInPlace(moved, where, 'one', { kind: 'titleSafe' }, boxesOf(moved, TALL));
  expect(boxesOf(after, TALL).get('one')?.x).toBeCloseTo(40);
  expect(boxesOf(after).get('one')?.x).toBeCloseTo(100);
  expect(attachInPlace(template, where, 'one', { kind: 'layer', layerId: 'one' }, new Map())).toBe(template);
});
