import { creditPictures } from '../model/credits';
import type { CreditsLayer } from '../model/template';
import type { CreditCard } from '../credits/cutCards';
import { cutCards } from '../credits/cutCards';
import { isUpright } from '../credits/rollWays';
import type { CreditBlock, SetCredits } from '../credits/setCredits';
import { setCredits } from '../credits/setCredits';
import type { LayerPaint, UnitShape } from '../display/unitShape';
import { movingImage, videoId } from '../display/moving';
import { ownShape, solid } from '../display/unitShape';
import { OutlineBuilder } from '../display/outline';
import type { PlacedBox } from '../frame/points';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { hardestFacts } from '../text/fitFacts';
import { textUnits } from '../text/units';
import { creditProperties } from './creditProperties';
import type {
  BesideUnit,
  CardFacts,
  CreditUnits,
  LayerBinding,
  LayerUnit,
  MeasureContext,
  Measured,
  PictureSizes,
} from './layerKind';
import { pictureStandIn, wholePicture } from './picture';

/** Credits with their properties: a window that they roll through, or in which cards follow one another. */
export function bindCredits(layer: CreditsLayer): LayerBinding {
  return {
    kindLabel: 'credits',
    unitKinds: layer.show === 'cards' ? ['row', 'layer'] : ['layer'],
    properties: () => creditProperties(layer),
    dependsOn: [],
    measuresAfter: [],
    pictures: creditPictures(layer.rows),
    measure: (context) => measureCredits(layer, context),
    paint: ({ name }) => creditPaint(layer, name),
  };
}

/** The paint of the words of a style. */
function creditPaint({ styles }: CreditsLayer, name: string): LayerPaint {
  const style = name in styles ? styles[name as keyof CreditsLayer['styles']] : styles.name;
  return { paint: solid(style.fill), opacity: 1 };
}

function measureCredits(layer: CreditsLayer, context: MeasureContext): Measured | null {
  const safe = context.area('titleSafe');
  const isRoll = layer.show === 'roll';
  const width = layer.widthShare * safe.width;
  const height = layer.heightShare * (isRoll ? context.frame.height : safe.height);
  const at = (size: number): SetCredits =>
    setCredits(
      layer,
      {
        fonts: context.fonts,
        widthU: width,
        language: context.languageOf(layer.id),
        pictureSize: (asset) => context.pictures.size(asset),
      },
      size,
    );
  const set = at(1);
  if (set.blocks.length === 0 && set.beside.length === 0) return null;
  const cards = isRoll
    ? []
    : cutCards(set.blocks, { heightU: height, repeatsHeading: layer.cards.repeatsHeading });
  const pictures: Pictures = (asset) => context.pictures.size(asset);
  const creditUnits = (sized: SetCredits, box: PlacedBox, toPixels: Matrix): CreditUnits => {
    const setting = { layer, box, toPixels, pictures };
    return {
      blocks: sized.blocks.map((block) => ({
        unit: blockUnit(block, setting),
        gapU: block.gapU,
        lengthU: isUpright(layer.roll) ? block.heightU : block.widthU,
        rowIds: block.rowIds,
      })),
      beside: besideUnits(sized, setting, safe),
    };
  };
  return {
    width,
    height,
    firstBaseline: height,
    lastBaseline: height,
    fitted: hardestFacts(set.fitted),
    overflows: set.overflows,
    missing: set.missing,
    standIns: set.standIns,
    ...(Number.isFinite(set.capU) && { capU: set.capU }),
    credits: {
      blocksAt: isRoll ? (size, ...where) => creditUnits(size === 1 ? set : at(size), ...where) : null,
      cards: cards.map(cardFacts),
      pictureHeightsU: set.blocks.flatMap((block) => block.pictures.map(({ rect }) => rect.height)),
      besideCount: (box) => (isRoll ? besideUnits(set, { box, pictures }, safe).length : 0),
    },
    units(kind, box, toPixels) {
      const setting = { layer, box, toPixels, pictures };
      if (!isRoll) {
        const units = cards.map((card) => cardUnit(card, setting));
        return kind === 'row' || units.length === 0 ? units : [units[0]];
      }
      return [restUnit(set, setting)];
    },
  };
}

function cardFacts({ blocks }: CreditCard): CardFacts {
  const own = blocks.map(({ block }) => block);
  const first = own.find(({ kind }) => kind !== 'heading');
  return {
    reads: own.map(({ reads }) => reads).join('\n'),
    rowIds: own.flatMap(({ rowIds }) => rowIds),
    lines: own.filter(({ kind }) => kind !== 'heading').length,
    goesOn: first?.goesOn ?? false,
    endsOpen: own[own.length - 1]?.leads ?? false,
  };
}

type Pictures = PictureSizes['size'];

interface Setting {
  readonly layer: CreditsLayer;
  readonly box: PlacedBox;
  readonly toPixels: Matrix;
  readonly pictures: Pictures;
}

type Shapes = readonly UnitShape[];

/** A unit whose shapes are made when they are first asked for: of a long roll few are seen at a time. */
function lazyUnit(box: Rect, make: () => Shapes): LayerUnit {
  let made: Shapes | null = null;
  return {
    box,
    ink: box,
    get shapes() {
      made ??= make();
      return made;
    },
  };
}

/** A block at the window's top left; one of a roll that goes across stands on the baseline of all. */
function blockUnit(block: CreditBlock, setting: Setting): LayerUnit {
  const { layer, box } = setting;
  const upright = isUpright(layer.roll);
  const x = upright ? box.x : box.x - block.leftU;
  const y = upright ? box.y : box.y + (box.height - block.heightU) / 2;
  const at = upright
    ? { x: box.x + block.leftU, y, width: block.widthU, height: block.heightU }
    : { x: box.x, y, width: block.widthU, height: block.heightU };
  return lazyUnit(at, () => blockShapes(block, x, y, setting));
}

/** All that a card shows, in the middle of the window. */
function cardUnit({ blocks, heightU }: CreditCard, setting: Setting): LayerUnit {
  const { box } = setting;
  const top = box.y + Math.max(0, (box.height - heightU) / 2);
  const left = Math.min(...blocks.map(({ block }) => block.leftU));
  const right = Math.max(...blocks.map(({ block }) => block.rightU));
  const at = { x: box.x + left, y: top, width: right - left, height: heightU };
  return lazyUnit(at, () => blocks.flatMap(({ block, yU }) => blockShapes(block, box.x, top + yU, setting)));
}

/** What a roll shows where nothing moves: its beginning, as much as the window holds. */
function restUnit({ blocks }: SetCredits, setting: Setting): LayerUnit {
  const { box, layer } = setting;
  return lazyUnit(box, () => {
    let at = 0;
    const upright = isUpright(layer.roll);
    const room = upright ? box.height : box.width;
    return blocks.flatMap((block) => {
      const start = at + block.gapU;
      at = start + (upright ? block.heightU : block.widthU);
      if (at > room) return [];
      if (upright) return blockShapes(block, box.x, box.y + start, setting);
      return blockShapes(
        block,
        box.x + start - block.leftU,
        box.y + (box.height - block.heightU) / 2,
        setting,
      );
    });
  });
}

function blockShapes(
  block: CreditBlock,
  x: number,
  y: number,
  { layer, toPixels, pictures }: Setting,
): UnitShape[] {
  const words = block.words.flatMap(({ layout, style, x: dx, y: dy }) => {
    // Baselines lie on whole pixels, so that lines look alike wherever the roll has them.
    const baselinePx = (y + dy + layout.lines[0].baseline) * toPixels[3];
    const top = y + dy + (Math.round(baselinePx) - baselinePx) / toPixels[3];
    const own = { name: style, rect: { x, y, width: block.rightU, height: block.heightU } };
    return textUnits(layout, 'layer')
      .flatMap(({ parts }) => parts)
      .map(({ outline }) =>
        ownShape(
          new OutlineBuilder().add(outline, 1, 1, x + dx, top).build(),
          own,
          creditPaint(layer, style),
        ),
      );
  });
  const images = block.pictures.map(({ asset, rect }) =>
    picture(asset, { ...rect, x: rect.x + x, y: rect.y + y }, pictures),
  );
  return [...images, ...words];
}

function picture(asset: string, rect: Rect, pictures: Pictures): UnitShape {
  const size = pictures(asset);
  // No words, though it is no picture either.
  if (size === undefined) return { ...pictureStandIn(rect), ground: true };
  const id = videoId(asset);
  return wholePicture(id === null ? asset : movingImage({ id, seconds: 0 }), size, rect);
}

/** How a picture beside plays, where it is a video that is here. */
function playing(asset: string, { box }: LayerUnit, pictures: Pictures): Pick<BesideUnit, 'unitAt'> {
  const id = videoId(asset);
  const size = pictures(asset);
  if (id === null || size === undefined) return {};
  const unitAt = (seconds: number): LayerUnit =>
    lazyUnit(box, () => [wholePicture(movingImage({ id, seconds }), size, box)]);
  return { unitAt };
}

// Between credits and what stands beside them.
const BESIDE_GAP_U = 40;

/** Pictures beside credits: as large as there is room between them and the title-safe line, in the middle of its height. */
function besideUnits(
  set: SetCredits,
  { box, pictures }: Pick<Setting, 'box' | 'pictures'>,
  safe: Rect,
): BesideUnit[] {
  const left = Math.min(box.width, ...set.blocks.map(({ leftU }) => leftU));
  const right = Math.max(0, ...set.blocks.map(({ rightU }) => rightU));
  return set.beside.flatMap(({ row, block }) => {
    const from = row.side === 'left' ? safe.x : box.x + right + BESIDE_GAP_U;
    const to = row.side === 'left' ? box.x + left - BESIDE_GAP_U : safe.x + safe.width;
    const size = pictures(row.asset) ?? { widthPx: 4, heightPx: 3 };
    const scale = Math.min((to - from) / size.widthPx, (safe.height * 0.7) / size.heightPx);
    if (scale <= 0) return [];
    const [width, height] = [size.widthPx * scale, size.heightPx * scale];
    const rect = {
      x: row.side === 'left' ? from : to - width,
      y: safe.y + (safe.height - height) / 2,
      width,
      height,
    };
    const unit = lazyUnit(rect, () => [picture(row.asset, rect, pictures)]);
    return [{ row, block, unit, ...playing(row.asset, unit, pictures) }];
  });
}
