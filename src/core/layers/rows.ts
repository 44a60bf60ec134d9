import type { RowsLayer } from '../model/template';
import { filledRows, shownRows } from '../model/template';
import { OutlineBuilder } from '../display/outline';
import { roundedRectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import { hardestFacts } from '../text/fitFacts';
import { textUnits } from '../text/units';
import type { LayerBinding, LayerUnit, MeasureContext, Measured } from './layerKind';
import type { LayerPaint, UnitShape } from '../display/unitShape';
import { ownShape, solid } from '../display/unitShape';
import { rowsProperties } from './rowsProperties';
import type { SetRow, SetRows } from './setRows';
import { setRows } from './setRows';

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

const PLATE = 'plate';

/** The paint of the plates, or of the words of a column by its number. */
function rowsPaint(layer: RowsLayer, name: string): LayerPaint {
  if (name === PLATE) return { paint: solid(layer.plate), opacity: layer.plateOpacity };
  return { paint: solid(layer.columns[Number(name)].style.fill), opacity: 1 };
}

function measureRows(layer: RowsLayer, context: MeasureContext): Measured | null {
  const shown = shownRows(layer);
  if (shown.length === 0) return null;
  const width = layer.widthShare * context.area('titleSafe').width;
  const set = setRows(layer, shown, width, context);
  const { rows, facts } = set;
  const all = filledRows(layer.rows).length;
  const cut = all > shown.length ? [{ kind: 'rowsCut', rows: shown.length, of: all } as const] : [];
  // Rows that replace one another lie in one place, and so do those of the pages.
  const step = layer.chain != null ? 0 : layer.rowHeightU + layer.gapU;
  const places = layer.chain != null ? 1 : Math.min(rows.length, layer.maxRows);
  const height = layer.rowHeightU + (Math.min(places, layer.presentRows ?? places) - 1) * step;
  return {
    width,
    height,
    firstBaseline: rows[0].cells[0]?.layout.lines[0].baseline ?? layer.rowHeightU,
    lastBaseline: height,
    fitted: hardestFacts([...facts.fitted, ...cut]),
    overflows: facts.overflows,
    missing: [...facts.missing],
    standIns: [...facts.standIns],
    capU: facts.capU,
    snaps: { x: false, y: true },
    units(kind, box, toPixels) {
      const units = rows.map((row, i) =>
        rowUnit(layer, set, row, { ...box, y: box.y + (i % layer.maxRows) * step }, toPixels),
      );
      return kind === 'row' ? units : [mergeUnits(units)];
    },
  };
}

interface Origin {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

function rowUnit(layer: RowsLayer, set: SetRows, row: SetRow, origin: Origin, toPixels: Matrix): LayerUnit {
  const box: Rect = { x: origin.x, y: origin.y, width: origin.width, height: layer.rowHeightU };
  const plate = roundedRectOutline(box, layer.plateRadiusU);
  const shapes: UnitShape[] =
    layer.plateOpacity > 0
      ? [{ ...ownShape(plate, { name: PLATE, rect: box }, rowsPaint(layer, PLATE)), ground: true }]
      : [];
  for (const bar of row.bars) {
    const height = box.height * bar.heightShare;
    const rect = { x: box.x + bar.x, y: box.y + (box.height - height) / 2, width: bar.width, height };
    const own = { name: String(bar.column), rect: box };
    const outline = roundedRectOutline(rect, Math.min(bar.radiusU, bar.width / 2));
    shapes.push({ ...ownShape(outline, own, rowsPaint(layer, own.name)), ground: true });
  }
  for (const { layout, x, column } of row.cells) {
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
  return {
    box,
    ink: box,
    shapes,
    counted: (share) => rowUnit(layer, set, set.counted(row, share), origin, toPixels),
  };
}

function mergeUnits(units: readonly LayerUnit[]): LayerUnit {
  const box = unionRects(units.map((unit) => unit.box)) ?? units[0].box;
  return {
    box,
    ink: box,
    shapes: units.flatMap((unit) => unit.shapes),
    counted: (share) => mergeUnits(units.map((unit) => unit.counted?.(share) ?? unit)),
  };
}
