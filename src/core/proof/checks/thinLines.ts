import { outwardRect } from '../../kit/rect';
import { FORMATS } from '../../frame/formats';
import { cardName } from '../cardName';
import { frameToSeconds } from '../../time/rates';
import { defineCheck } from '../check';
import type { Pixels } from '../eyes';
import { widestEdge } from '../../timeline/dressItems';
import type { Layer } from '../../model/template';
import type { Found, Mend } from '../finding';
import { inkBounds } from '../inkBounds';

export const thinLinesCheck = defineCheck({
  kind: 'layout',
  id: 'thin',
  label: 'Thin lines',
  about:
    'In interlaced deliveries, finds strokes and edges that are thinner than two lines of the frame and flicker.',
  run({
    delivery,
    shown,
    applied,
    template,
    title,
    rules,
    eyes,
    restingFrame,
    rate,
    timing,
  }): readonly Found[] {
    if (!delivery.interlaced) return [];
    const { compiled } = shown;
    const linesPerPx = FORMATS.get(delivery.format).heightPx / compiled.format.heightPx;
    const linesPerU = compiled.toPixels[3] * linesPerPx;
    // An edge in its own colour makes a stroke thicker on both sides.
    const thickened = (layer: Layer | undefined): number => 2 * ownEdgeU(layer) * linesPerU;
    const thicken = (lines: number): Mend => {
      const missingU = (rules.thinLines - lines) / 2 / linesPerU;
      // In steps of half a unit, and a little more than needed.
      const widthU =
        Math.ceil((missingU + (title.edge?.colour === 'own' ? title.edge.widthU : 0)) * 2 + 0.2) / 2;
      return {
        label: `Thicken words and lines by ${widthU} u`,
        change: { kind: 'title', set: { edge: { colour: 'own', widthU, softU: 0 } } },
      };
    };
    const tell = (layerId: string, lines: number): Found => ({
      tone: 'look',
      subject: layerId,
      message: `${cardName(template, layerId)} flickers, ${lines.toFixed(1)} lines`,
      detail: `Its thinnest level stroke is ${lines.toFixed(1)} lines of the interlaced frame; at least ${rules.thinLines} are wanted.`,
      frame: restingFrame,
      mends: [thicken(lines)],
    });
    const texts = compiled.texts.flatMap(({ layerId, ink, standsAt }): Found[] => {
      const items = ink(standsAt(frameToSeconds(restingFrame, rate), timing), timing);
      const all = inkBounds(items);
      if (all === null) return [];
      const thickness = thinnestLevelStroke(eyes.paint(items, outwardRect(all)));
      const layer = applied.layers.find(({ id }) => id === layerId);
      const lines = thickness === null ? Infinity : thickness * linesPerPx + thickened(layer);
      return lines < rules.thinLines ? [tell(layerId, lines)] : [];
    });
    const boxes = applied.layers.flatMap((layer): Found[] => {
      const box = compiled.boxes.get(layer.id);
      if (layer.kind !== 'box' || box === undefined || layer.opacity * layer.fillOpacity === 0) return [];
      const lines = box.height * linesPerU + thickened(layer);
      return lines > 0 && lines < rules.thinLines ? [tell(layer.id, lines)] : [];
    });
    return [...texts, ...boxes];
  },
});

/** How far outlines in a layer's own colour reach beyond its shapes, in design units. */
function ownEdgeU(layer: Layer | undefined): number {
  if (layer?.kind !== 'text' && layer?.kind !== 'box') return 0;
  const own = layer.kind === 'text' ? layer.style.fill : layer.fill;
  return widestEdge(layer.look.outlines.filter(({ colour }) => colour === own));
}

/**
 * The height in px of the thinnest level strokes in a picture of letters: of all upright runs of covered pixels whose
 * neighbours left and right are about as high, the one that a tenth are thinner than. Antialiased edges count by how
 * much they cover. null where there are none.
 */
function thinnestLevelStroke({ width, height, data }: Pixels): number | null {
  const columns = Array.from({ length: width }, (_, x) => runsOf(data, x, width, height));
  const level: number[] = [];
  for (let x = 1; x < width - 1; x++) {
    for (const run of columns[x]) {
      const alike = [columns[x - 1], columns[x + 1]].every((beside) =>
        beside.some(
          (other) =>
            Math.abs(other.middle - run.middle) < 0.75 && Math.abs(other.high - run.high) < run.high * 0.25,
        ),
      );
      if (alike && run.high < height / 2) level.push(run.high);
    }
  }
  if (level.length < 4) return null;
  level.sort((a, b) => a - b);
  return level[Math.floor(level.length / 10)];
}

function runsOf(
  data: Uint8ClampedArray,
  x: number,
  width: number,
  height: number,
): { readonly middle: number; readonly high: number }[] {
  const runs: { middle: number; high: number }[] = [];
  let [sum, moment] = [0, 0];
  for (let y = 0; y <= height; y++) {
    const covered = y < height ? data[(y * width + x) * 4 + 3] / 255 : 0;
    if (covered > 0.02) {
      sum += covered;
      moment += covered * y;
    } else if (sum > 0) {
      runs.push({ middle: moment / sum, high: sum });
      [sum, moment] = [0, 0];
    }
  }
  return runs;
}
