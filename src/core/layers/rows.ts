import type { Chain, RowsColumn, RowsLayer } from '../model/template';
import { CHAIN_RHYTHMS, filledRows } from '../model/template';
import { OutlineBuilder } from '../display/outline';
import { roundedRectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import { ALIGN_SHARES } from '../text/alignShares';
import { capHeightU } from '../text/capHeight';
import type { FitFact } from '../text/fitFacts';
import { hardestFacts } from '../text/fitFacts';
import { fitText } from '../text/fitText';
import { knownFace } from '../text/knownFace';
import type { TextLayout } from '../text/layoutText';
import { textUnits } from '../text/units';
import type { LayerBinding, LayerUnit, MeasureContext, Measured, Property } from './layerKind';
import type { LayerPaint, UnitShape } from '../display/unitShape';
import { ownShape, solid } from '../display/unitShape';
import {
  choiceProperty,
  colourProperty,
  faceChoices,
  numberProperty,
  switchProperty,
  weightChoices,
} from './properties';

/** A list of rows with its properties; each row is a unit. Empty rows are left out. */
export function bindRows(layer: RowsLayer): LayerBinding {
  return {
    kindLabel: 'rows',
    unitKinds: ['row', 'layer'],
    properties: () => rowsProperties(layer),
    dependsOn: [],
    measuresAfter: [],
    measure: (context) => measureRows(layer, context),
    paint: ({ name }) => rowsPaint(layer, name),
  };
}

interface RowNotes {
  readonly fitted: FitFact[];
  readonly missing: Set<string>;
  readonly standIns: Set<string>;
  overflows: boolean;
  capU: number;
}

interface SetCell {
  readonly layout: TextLayout;
  /** From the row's left end. */
  readonly x: number;
  readonly column: number;
}

const PLATE = 'plate';

/** The paint of the plates, or of the words of a column by its number. */
function rowsPaint(layer: RowsLayer, name: string): LayerPaint {
  if (name === PLATE) return { paint: solid(layer.plate), opacity: layer.plateOpacity };
  return { paint: solid(layer.columns[Number(name)].style.fill), opacity: 1 };
}

function measureRows(layer: RowsLayer, context: MeasureContext): Measured | null {
  const all = filledRows(layer.rows).map((line) => line.split('\t'));
  if (all.length === 0) return null;
  const width = layer.widthShare * context.area('titleSafe').width;
  const notes: RowNotes = {
    fitted: [],
    missing: new Set<string>(),
    standIns: new Set<string>(),
    overflows: false,
    capU: Infinity,
  };
  const rows = all.slice(0, layer.maxRows).map((cells) => setRow(layer, cells, width, context, notes));
  if (all.length > layer.maxRows) notes.fitted.push({ kind: 'rowsCut', rows: layer.maxRows, of: all.length });
  // Rows that replace one another lie in one place.
  const inOnePlace = layer.chain != null;
  const step = inOnePlace ? 0 : layer.rowHeightU + layer.gapU;
  const height = inOnePlace ? layer.rowHeightU : rows.length * step - layer.gapU;
  return {
    width,
    height,
    firstBaseline: rows[0][0]?.layout.lines[0].baseline ?? layer.rowHeightU,
    lastBaseline: height,
    fitted: hardestFacts(notes.fitted),
    overflows: notes.overflows,
    missing: [...notes.missing],
    standIns: [...notes.standIns],
    capU: notes.capU,
    snaps: { x: false, y: true },
    units(kind, box, toPixels) {
      const units = rows.map((cells, i) => rowUnit(layer, cells, { ...box, y: box.y + i * step }, toPixels));
      return kind === 'row' ? units : [mergeUnits(units)];
    },
  };
}

function setRow(
  layer: RowsLayer,
  cells: readonly string[],
  width: number,
  context: MeasureContext,
  notes: RowNotes,
): SetCell[] {
  const total = layer.columns.reduce((sum, column) => sum + column.share, 0) || 1;
  const inner = width - layer.padU * (layer.columns.length + 1);
  let left = layer.padU;
  return layer.columns.flatMap((column, i) => {
    const room = (inner * column.share) / total;
    const start = left;
    left += room + layer.padU;
    const text = cells[i] ?? '';
    if (text.trim() === '') return [];
    const spec = {
      runs: [{ text }],
      style: knownFace(column.style),
      align: 'left',
      balanced: false,
      columnU: null,
      language: context.languageOf(layer.id),
    } as const;
    const steps = [
      { kind: 'squeeze', minPercent: 80 },
      { kind: 'shrink', minSizeU: column.style.sizeU * 0.7 },
      { kind: 'cut' },
    ] as const;
    const fitted = fitText(spec, room, steps, context.fonts);
    notes.fitted.push(...fitted.done);
    for (const character of fitted.layout.missing) notes.missing.add(character);
    for (const face of fitted.layout.standIns) notes.standIns.add(face);
    if (fitted.overflows) notes.overflows = true;
    notes.capU = Math.min(notes.capU, capHeightU(column.style, context.fonts) * fitted.scale);
    return {
      column: i,
      layout: fitted.layout,
      x: start + (room - fitted.layout.width) * ALIGN_SHARES[column.align],
    };
  });
}

function rowUnit(
  layer: RowsLayer,
  cells: readonly SetCell[],
  origin: { readonly x: number; readonly y: number; readonly width: number },
  toPixels: Matrix,
): LayerUnit {
  const box: Rect = { x: origin.x, y: origin.y, width: origin.width, height: layer.rowHeightU };
  const plate = roundedRectOutline(box, layer.plateRadiusU);
  const shapes: UnitShape[] =
    layer.plateOpacity > 0
      ? [
          {
            ...ownShape(plate, { name: PLATE, rect: box }, rowsPaint(layer, PLATE)),
            ground: true,
          },
        ]
      : [];
  for (const { layout, x, column } of cells) {
    // One baseline for all cells of a row, on a whole pixel.
    const middle = box.y + (box.height - layout.height) / 2;
    const baselinePx = (middle + layout.lines[0].baseline) * toPixels[3];
    const top = middle + (Math.round(baselinePx) - baselinePx) / toPixels[3];
    for (const part of textUnits(layout, 'layer').flatMap((unit) => unit.parts)) {
      const outline = new OutlineBuilder().add(part.outline, 1, 1, box.x + x, top).build();
      const own = { name: String(column), rect: box };
      shapes.push(ownShape(outline, own, rowsPaint(layer, own.name)));
    }
  }
  return { box, ink: box, shapes };
}

function mergeUnits(units: readonly LayerUnit[]): LayerUnit {
  const box = unionRects(units.map((unit) => unit.box)) ?? units[0].box;
  return { box, ink: box, shapes: units.flatMap((unit) => unit.shapes) };
}

function rowsProperties(layer: RowsLayer): Property[] {
  const number = (
    path: 'rowHeightU' | 'gapU' | 'padU' | 'plateRadiusU' | 'maxRows',
    label: string,
    range: readonly ['u' | '', number, number, number],
  ): Property =>
    numberProperty(path, label, range, layer[path], (v) => ({
      ...layer,
      [path]: path === 'maxRows' ? Math.round(v) : v,
    }));
  return [
    {
      path: 'rows',
      label: 'Rows',
      part: 'type',
      stage: 'layout',
      fieldKind: 'rows',
      control: { kind: 'rows', columns: layer.columns.length },
      value: layer.rows,
      with: (rows) => ({ ...layer, rows: String(rows) }),
    },
    ...chainProperties(layer),
    number('maxRows', 'Most rows', ['', 1, 100, 1]),
    number('rowHeightU', 'Row height', ['u', 8, 600, 1]),
    number('gapU', 'Gap', ['u', -50, 400, 1]),
    number('padU', 'Inset', ['u', 0, 300, 1]),
    colourProperty('plate', 'Plate', layer.plate, (plate) => ({ ...layer, plate })),
    numberProperty('plateOpacity', 'Plate opacity', ['%', 0, 100, 5], layer.plateOpacity * 100, (v) => ({
      ...layer,
      plateOpacity: v / 100,
    })),
    number('plateRadiusU', 'Plate roundness', ['u', 0, 300, 1]),
    numberProperty('widthShare', 'Width', ['%', 5, 120, 1], layer.widthShare * 100, (v) => ({
      ...layer,
      widthShare: v / 100,
    })),
    ...layer.columns.flatMap((column, i) => columnProperties(layer, column, i)),
  ];
}

const FIRST_CHAIN: Chain = { rhythm: 'even', everySeconds: 3, overlap: 0.5, round: false };

/** Whether rows stand together, or replace one another, and in which rhythm. */
function rhythmProperty(layer: RowsLayer, set: (change: Partial<Chain>) => RowsLayer): Property {
  return choiceProperty(
    'chain.rhythm',
    'Shown',
    [
      { value: 'together', label: 'Together' },
      { value: 'even', label: 'In turn, evenly' },
      { value: 'seconds', label: 'In turn, so long each' },
      { value: 'reading', label: 'In turn, as read' },
    ],
    layer.chain?.rhythm ?? 'together',
    (value) => {
      const wanted = CHAIN_RHYTHMS.find((one) => one === value);
      return wanted === undefined ? { ...layer, chain: null } : set({ rhythm: wanted });
    },
  );
}

/** How a list shows its rows. */
function chainProperties(layer: RowsLayer): Property[] {
  const chain = layer.chain ?? null;
  const set = (change: Partial<Chain>): RowsLayer => ({
    ...layer,
    chain: { ...(chain ?? FIRST_CHAIN), ...change },
  });
  const rhythm = rhythmProperty(layer, set);
  if (chain === null)
    return [
      rhythm,
      numberProperty(
        'earlierOpacity',
        'Earlier rows',
        ['%', 10, 100, 5],
        (layer.earlierOpacity ?? 1) * 100,
        (v) => ({
          ...layer,
          earlierOpacity: v / 100,
        }),
      ),
    ];
  return [
    rhythm,
    ...(chain.rhythm === 'seconds'
      ? [
          numberProperty(
            'chain.everySeconds',
            'Each stands',
            ['s', 0.1, 3600, 0.1],
            chain.everySeconds,
            (v) => set({ everySeconds: v }),
          ),
        ]
      : []),
    numberProperty('chain.overlap', 'Pushes the last', ['%', 0, 100, 5], chain.overlap * 100, (v) =>
      set({ overlap: v / 100 }),
    ),
    ...(chain.rhythm === 'even'
      ? []
      : [
          switchProperty('chain.round', 'Round and round', chain.round, (round) => set({ round })),
          ...(chain.round
            ? []
            : [
                switchProperty('chain.fills', 'Fills the time', chain.fills ?? false, (fills) =>
                  set({ fills }),
                ),
              ]),
        ]),
  ];
}

function columnProperties(layer: RowsLayer, column: RowsColumn, index: number): Property[] {
  const path = `columns.${index}`;
  const name = `Column ${index + 1}`;
  const set = (change: Partial<RowsColumn>): RowsLayer => ({
    ...layer,
    columns: layer.columns.with(index, { ...column, ...change }),
  });
  const { style } = column;
  const weights = weightChoices(style.face, style.weight);
  return [
    choiceProperty(`${path}.face`, `${name} face`, faceChoices(style.face), style.face, (face) =>
      set({ style: { ...style, face } }),
    ),
    choiceProperty(`${path}.weight`, `${name} weight`, weights.choices, weights.current, (w) =>
      set({ style: { ...style, weight: Number(w) } }),
    ),
    numberProperty(`${path}.sizeU`, `${name} size`, ['u', 4, 400, 1], style.sizeU, (sizeU) =>
      set({ style: { ...style, sizeU } }),
    ),
    colourProperty(`${path}.fill`, `${name} colour`, style.fill, (fill) =>
      set({ style: { ...style, fill } }),
    ),
    numberProperty(`${path}.share`, `${name} width`, ['', 0.1, 20, 0.1], column.share, (share) =>
      set({ share }),
    ),
    choiceProperty(
      `${path}.align`,
      `${name} align`,
      [
        { value: 'left', label: 'Left' },
        { value: 'centre', label: 'Centre' },
        { value: 'right', label: 'Right' },
      ],
      column.align,
      (align) => set({ align }),
    ),
  ];
}
