import type { Layer, TextLayer, TextStyle } from '../model/template';
import { plainText } from '../model/template';
import { unionRects } from '../kit/rect';
import { capHeightU } from '../text/capHeight';
import { countWords } from '../text/figures';
import { fitText } from '../text/fitText';
import { hyphenPatternsFor } from '../text/hyphenation';
import type { FontLibrary } from '../text/fontLibrary';
import { knownFace } from '../text/knownFace';
import type { TextLayout } from '../text/layoutText';
import { layoutText } from '../text/layoutText';
import { rewordRuns } from '../text/runs';
import type { TextUnit } from '../text/units';
import { textUnits } from '../text/units';
import type { PlacedBox } from '../frame/points';
import type { LayerBinding, LayerUnit, Measured, Property } from './layerKind';
import { LONG_STEPS_PATH, stepsToText, textToSteps } from './longSteps';
import type { LayerPaint, OwnPaint } from '../display/unitShape';
import { ownShape, solid } from '../display/unitShape';
import { paintOf } from './paintOf';
import {
  choiceProperty,
  colourProperty,
  faceChoices,
  numberProperty,
  switchProperty,
  textProperty,
} from './properties';
import {
  axisProperties,
  caseProperty,
  fineProperties,
  namedStyles,
  weightProperties,
} from './styleProperties';

/** A text layer with its properties and its typesetting. */
export function bindText(layer: TextLayer): LayerBinding {
  return {
    kindLabel: 'text',
    unitKinds: ['layer', 'paragraph', 'line', 'word', 'letter'],
    properties: () => textProperties(layer),
    dependsOn: [],
    measuresAfter: [],
    measure: ({ fonts, area, languageOf }) =>
      measureText(layer, area('titleSafe').width, fonts, languageOf(layer.id)),
    paint: (own) => textPaint(layer, own),
  };
}

const FILL = 'fill';

/** The paint of a text's letters; a part in a colour of its own, by which it is named, keeps it under a gradient. */
function textPaint(layer: TextLayer, { name, rect }: OwnPaint): LayerPaint {
  const paint = name === FILL ? paintOf(layer.look, layer.style.fill, rect) : solid(name);
  return { paint, opacity: layer.fillOpacity ?? 1 };
}

function measureText(
  layer: TextLayer,
  safeWidthU: number,
  fonts: FontLibrary,
  language: string,
): Measured | null {
  if (plainText(layer).trim() === '') return null;
  const spec = {
    runs: layer.runs.map((run) => (run.style === undefined ? run : { ...run, style: knownFace(run.style) })),
    style: { ...layer.style, ...knownFace(layer.style) },
    align: layer.align,
    balanced: layer.balanced,
    hyphenates: layer.hyphenates,
    columnU: layer.columnU,
    language,
  };
  const fitted = fitText(spec, layer.maxWidthShare * safeWidthU, layer.whenLong, fonts);
  const { layout } = fitted;
  const measured: Measured = {
    width: layout.width,
    height: layout.height,
    firstBaseline: layout.lines[0].baseline,
    lastBaseline: layout.lines[layout.lines.length - 1].baseline,
    fitted: fitted.done,
    overflows: fitted.overflows,
    missing: layout.missing,
    standIns: layout.standIns,
    ...(layer.hyphenates === true && hyphenPatternsFor(language) === null && { unparted: language }),
    capU: smallestCapU(layer, fonts) * fitted.scale,
    snaps: { x: false, y: true },
    snap: (box, toPixels) =>
      layout.lines.map(({ baseline }) => {
        // Baselines on whole pixels keep horizontal strokes crisp and alike in every line.
        const baselinePx = (box.y + baseline) * toPixels[3];
        return (Math.round(baselinePx) - baselinePx) / toPixels[3];
      }),
    units(kind, box, toPixels, snap = measured.snap?.(box, toPixels) ?? []) {
      const paint = textPaint(layer, { name: FILL, rect: box });
      const setting = { layer, box, layout, paint, snap };
      if (kind === 'letter') return lettersOf(setting, fonts, language);
      const units = textUnits(layout, kind).map((unit) => placeUnit(unit, setting));
      if (kind !== 'layer') return units;
      const counted = (share: number): LayerUnit => {
        const runs = rewordRuns(layer.runs, countWords(plainText(layer), share));
        const then = measureText({ ...layer, runs }, safeWidthU, fonts, language) ?? measured;
        const [unit] = then.units('layer', box, toPixels);
        return unit;
      };
      return units.map((unit) => ({ ...unit, counted }));
    },
  };
  return measured;
}

function smallestCapU(layer: TextLayer, fonts: FontLibrary): number {
  const styles = layer.runs
    .filter((run) => run.text.trim() !== '')
    .map((run) => ({ ...layer.style, ...run.style }));
  return Math.min(...styles.map((style) => capHeightU(style, fonts)));
}

interface Setting {
  readonly layer: TextLayer;
  readonly box: PlacedBox;
  readonly layout: TextLayout;
  readonly paint: LayerPaint;
  /** How far each line is moved down. */
  readonly snap: readonly number[];
}

/** The letters of a text, each of which can be set as another. */
function lettersOf(setting: Setting, fonts: FontLibrary, language: string): LayerUnit[] {
  return textUnits(setting.layout, 'letter').map((unit) => {
    const known = new Map<string, LayerUnit | undefined>();
    const respelt = (reads: string): LayerUnit | undefined => {
      if (!known.has(reads)) known.set(reads, setAlone(reads, unit.style, setting, fonts, language));
      return known.get(reads);
    };
    return { ...placeUnit(unit, setting), reads: unit.text, respelt };
  });
}

/** Letters by themselves, in a style of a text's. */
function setAlone(
  reads: string,
  style: TextStyle,
  setting: Setting,
  fonts: FontLibrary,
  language: string,
): LayerUnit | undefined {
  const { squeeze } = setting.layout;
  const alone = {
    runs: [{ text: reads }],
    style,
    align: 'left',
    wrapWidthU: Infinity,
    squeeze,
    language,
  } as const;
  const layout = layoutText(alone, fonts);
  const [unit] = textUnits(layout, 'layer');
  return unit === undefined ? undefined : placeUnit(unit, { ...setting, layout, snap: [] });
}

function placeUnit(unit: TextUnit, { layer, box: origin, layout, paint, snap }: Setting): LayerUnit {
  const line = layout.lines[unit.line];
  const dy = origin.y + (snap[unit.line] ?? 0);
  const move = <R extends { x: number; y: number }>(rect: R): R => ({
    ...rect,
    x: rect.x + origin.x,
    y: rect.y + dy,
  });
  return {
    line: unit.line,
    baselineU: line.baseline + dy,
    box: unionRects([move(unit.box), move(unit.ink ?? unit.box)]) ?? unit.box,
    ink: move(unit.ink ?? unit.box),
    shapes: unit.parts.map((part) => {
      const outline = shiftOutline(part.outline, origin.x, dy);
      const own = { name: part.fill === layer.style.fill ? FILL : part.fill, rect: origin };
      return ownShape(outline, own, own.name === FILL ? paint : textPaint(layer, own));
    }),
  };
}

function shiftOutline(outline: TextUnit['parts'][number]['outline'], dx: number, dy: number): typeof outline {
  return { verbs: outline.verbs, coords: outline.coords.map((value, i) => value + (i % 2 === 0 ? dx : dy)) };
}

function textProperties(layer: TextLayer): Property[] {
  const { style } = layer;
  const styled = (change: Partial<TextStyle>): Layer => ({ ...layer, style: { ...style, ...change } });
  return [
    textProperty('text', 'Text', plainText(layer), (text) => ({
      ...layer,
      runs: rewordRuns(layer.runs, text),
    })),
    choiceProperty('style.face', 'Font', faceChoices(style.face), style.face, (face) => styled({ face })),
    ...namedStyles(style, styled),
    ...weightProperties(style, styled),
    ...axisProperties(style, styled),
    numberProperty('style.sizeU', 'Size', ['u', 4, 2000, 1], style.sizeU, (sizeU) => styled({ sizeU })),
    numberProperty('style.tracking', 'Tracking', ['‰', -200, 2000, 5], style.tracking, (tracking) =>
      styled({ tracking }),
    ),
    numberProperty('style.leading', 'Leading', ['×', 0.5, 4, 0.05], style.leading, (leading) =>
      styled({ leading }),
    ),
    caseProperty(style, styled),
    choiceProperty(
      'align',
      'Align',
      [
        { value: 'left', label: 'Left' },
        { value: 'centre', label: 'Centre' },
        { value: 'right', label: 'Right' },
        { value: 'justify', label: 'Justified' },
      ],
      layer.align,
      (align) => ({ ...layer, align }),
    ),
    colourProperty('style.fill', 'Fill', style.fill, (fill) => styled({ fill })),
    numberProperty('fillOpacity', 'Fill opacity', ['%', 0, 100, 5], (layer.fillOpacity ?? 1) * 100, (v) => ({
      ...layer,
      fillOpacity: v / 100,
    })),
    ...fineProperties(style, styled),
    ...breakProperties(layer),
    numberProperty('maxWidthShare', 'Widest', ['%', 5, 200, 1], layer.maxWidthShare * 100, (v) => ({
      ...layer,
      maxWidthShare: v / 100,
    })),
    textProperty(LONG_STEPS_PATH, 'When long', stepsToText(layer.whenLong), (text) => ({
      ...layer,
      whenLong: textToSteps(text) ?? layer.whenLong,
    })),
    ...(layer.columnU === null
      ? []
      : [
          numberProperty('columnU', 'Column', ['u', 20, 4000, 1], layer.columnU, (columnU) => ({
            ...layer,
            columnU,
          })),
        ]),
  ];
}

/** How its lines are broken. */
function breakProperties(layer: TextLayer): Property[] {
  return [
    switchProperty('balanced', 'Balance lines', layer.balanced, (balanced) => ({ ...layer, balanced })),
    switchProperty('hyphenates', 'Hyphenate', layer.hyphenates ?? false, (hyphenates) => ({
      ...layer,
      hyphenates,
    })),
  ];
}
