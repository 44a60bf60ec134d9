import type { Layer, TextLayer, TextStyle } from '../document/template';
import { plainText } from '../document/template';
import { unionRects } from '../kit/rect';
import type { Matrix } from '../kit/matrix';
import { DEFAULT_FACE_ID, FACES } from '../text/faces';
import { fitText } from '../text/fitText';
import type { TextLayout } from '../text/layoutText';
import type { TextUnit } from '../text/units';
import { textUnits } from '../text/units';
import type { PlacedBox } from '../layout/points';
import type { BoundLayer, LayerUnit, MeasureContext, Measured, Property } from './layerKind';
import { solid } from './layerKind';
import {
  choiceProperty,
  colourProperty,
  faceChoices,
  numberProperty,
  textProperty,
  weightChoices,
} from './properties';

/** A text layer with its properties and its typesetting. */
export function bindText(layer: TextLayer): BoundLayer {
  return {
    kindLabel: 'text',
    unitKinds: ['layer', 'line', 'word', 'letter'],
    properties: textProperties(layer),
    dependsOn: [],
    measure: (context) => measureText(layer, context),
  };
}

function measureText(layer: TextLayer, context: MeasureContext): Measured | null {
  if (plainText(layer).trim() === '') return null;
  const spec = {
    runs: layer.runs.map((run) => (run.style === undefined ? run : { ...run, style: knownFace(run.style) })),
    style: { ...layer.style, ...knownFace(layer.style) },
    align: layer.align,
  };
  const maxWidthU = layer.maxWidthShare * context.titleSafe.width;
  const fitted = fitText(spec, maxWidthU, layer.whenLong, context.fonts);
  const { layout } = fitted;
  return {
    width: layout.width,
    height: layout.height,
    firstBaseline: layout.lines[0].baseline,
    lastBaseline: layout.lines[layout.lines.length - 1].baseline,
    fitted: fitted.done,
    overflows: fitted.overflows,
    missing: layout.missing,
    units: (kind, box, toPixels) =>
      textUnits(layout, kind).map((unit) => placeUnit(unit, box, toPixels, layout)),
  };
}

/** A face that this installation does not have is set in the default one; the compiler reports it. */
function knownFace<T extends Partial<TextStyle>>(style: T): T {
  return style.face === undefined || FACES.find(style.face) !== undefined
    ? style
    : { ...style, face: DEFAULT_FACE_ID };
}

function placeUnit(unit: TextUnit, origin: PlacedBox, toPixels: Matrix, layout: TextLayout): LayerUnit {
  // Baselines on whole pixels keep horizontal strokes crisp and alike in every line.
  const line = layout.lines[unit.line];
  const baselinePx = (origin.y + line.baseline) * toPixels[3];
  const dy = origin.y + (Math.round(baselinePx) - baselinePx) / toPixels[3];
  const move = <R extends { x: number; y: number }>(rect: R): R => ({
    ...rect,
    x: rect.x + origin.x,
    y: rect.y + dy,
  });
  return {
    box: unionRects([move(unit.box), move(unit.ink ?? unit.box)]) ?? unit.box,
    ink: move(unit.ink ?? unit.box),
    shapes: unit.parts.map((part) => ({
      outline: shiftOutline(part.outline, origin.x, dy),
      paint: solid(part.fill),
      opacity: 1,
      strokeU: null,
    })),
  };
}

function shiftOutline(outline: TextUnit['parts'][number]['outline'], dx: number, dy: number): typeof outline {
  return { verbs: outline.verbs, coords: outline.coords.map((value, i) => value + (i % 2 === 0 ? dx : dy)) };
}

function textProperties(layer: TextLayer): Property[] {
  const { style } = layer;
  const styled = (change: Partial<TextStyle>): Layer => ({ ...layer, style: { ...style, ...change } });
  const weights = weightChoices(style.face, style.weight);
  return [
    textProperty('text', 'Reads', plainText(layer), (text) => ({ ...layer, runs: [{ text }] })),
    choiceProperty('style.face', 'Face', faceChoices(style.face), style.face, (face) => styled({ face })),
    choiceProperty('style.weight', 'Weight', weights.choices, weights.current, (w) =>
      styled({ weight: Number(w) }),
    ),
    numberProperty('style.sizeU', 'Size', ['u', 4, 2000, 1], style.sizeU, (sizeU) => styled({ sizeU })),
    numberProperty('style.tracking', 'Tracking', ['‰', -200, 2000, 5], style.tracking, (tracking) =>
      styled({ tracking }),
    ),
    numberProperty('style.leading', 'Leading', ['×', 0.5, 4, 0.05], style.leading, (leading) =>
      styled({ leading }),
    ),
    choiceProperty(
      'style.letterCase',
      'Case',
      [
        { value: 'typed', label: 'As typed' },
        { value: 'capitals', label: 'CAPS' },
      ],
      style.letterCase,
      (letterCase) => styled({ letterCase }),
    ),
    choiceProperty(
      'align',
      'Align',
      [
        { value: 'left', label: 'Left' },
        { value: 'centre', label: 'Centre' },
        { value: 'right', label: 'Right' },
      ],
      layer.align,
      (align) => ({ ...layer, align }),
    ),
    colourProperty('style.fill', 'Fill', style.fill, (fill) => styled({ fill })),
    numberProperty('opacity', 'Opacity', ['%', 0, 100, 5], layer.opacity * 100, (v) => ({
      ...layer,
      opacity: v / 100,
    })),
  ];
}
