import { describe, expect, test } from '@jest/globals';
import type { BoxLayer, Layer, TextLayer } from '../model/template';
import type { Rect } from '../kit/rect';
import { firstGradient } from '../model/look';
import { testBox, testText } from '../testing';
import { standsOnPanel } from './panelContrast';

const text = (more: Partial<TextLayer> = {}): TextLayer => {
  const plain = testText('name', 'Ilse');
  return {
    ...plain,
    style: { ...plain.style, fill: '#fff6e2' },
    look: { ...plain.look, shadows: [] },
    ...more,
  };
};
const panel = (more: Partial<BoxLayer> = {}): BoxLayer =>
  testBox('panel', { fill: '#10303c', fillOpacity: 0.94, ...more });
const BOXES = new Map<string, Rect>([
  ['name', { x: 20, y: 20, width: 100, height: 40 }],
  ['panel', { x: 0, y: 0, width: 160, height: 80 }],
  ['other', { x: 90, y: 10, width: 100, height: 20 }],
]);
const stands = (layers: readonly Layer[], needed = 4.5): boolean =>
  standsOnPanel(layers.find(({ id }) => id === 'name') ?? layers[0], layers, BOXES, 4, needed);

describe('a text on a panel of its own', () => {
  test('stands out over any picture where its colours say so', () => {
    expect(stands([text(), panel()])).toBe(true);
    expect(stands([text(), panel()], 21)).toBe(false);
  });

  test.each<[string, readonly Layer[]]>([
    ['there is no panel', [text()]],
    ['the panel lies nearer than the text', [panel(), text()]],
    ['the picture shows through', [text(), panel({ fillOpacity: 0.3 })]],
    ['the panel is too small', [text(), testBox('other', { fill: '#10303c' })]],
    [
      'the panel has a gradient',
      [text(), panel({ look: { ...panel().look, gradient: firstGradient('#10303c') } })],
    ],
    ['something lies over the text', [testBox('other'), text(), panel()]],
    ['something lies between', [text(), testBox('other'), panel()]],
    ['the text is turned', [text({ place: { ...text().place, rotateDegrees: 4 } }), panel()]],
    [
      'a part of the text has another colour',
      [text({ runs: [{ text: 'I', style: { fill: '#10303c' } }] }), panel()],
    ],
    [
      'the corners are so round that they come near',
      [text(), panel({ shape: { kind: 'rectangle', radiiU: [80, 0, 0, 0], corner: 'round' } })],
    ],
  ])('is not certain where %s', (_, layers) => {
    expect(stands(layers)).toBe(false);
  });
});
