import type { Fold, Layer, PlaceTarget } from '../model/template';
import type { EdgeLine, Look, Reflection, Shadow, Solid } from '../model/look';
import { bendProperties } from './bendProperties';
import { ATTACHMENT_PATH, readAttachment, writeAttachment } from '../model/attachment';
import type { Property } from './layerKind';
import { POINT_LABELS, POINT_NAMES } from '../frame/points';
import { SAFE_AREA_IDS, SAFE_AREA_LABELS } from '../frame/safeAreas';
import {
  choiceProperty,
  colourProperty,
  figuresProperty,
  numberProperty,
  pictureProperty,
  stateProperty,
  switchProperty,
} from './properties';

/** The properties that layers of every kind have: seen or not, opacity, offset, turn, scale, and their look. */
export function baseProperties(layer: Layer): Property[] {
  return [
    switchProperty('visible', 'Shown', layer.visible, (visible) => ({ ...layer, visible })),
    numberProperty('opacity', 'Opacity', ['%', 0, 100, 5], layer.opacity * 100, (v) => ({
      ...layer,
      opacity: v / 100,
    })),
    ...placeProperties(layer),
    ...depthProperties(layer),
    ...lookProperties(layer),
  ];
}

function placeProperties(layer: Layer): Property[] {
  const { place } = layer;
  const placed = (change: Partial<Layer['place']>): Layer => ({ ...layer, place: { ...place, ...change } });
  return [
    choiceProperty('place.point', 'Own point', POINT_CHOICES, place.point, (point) => placed({ point })),
    choiceProperty('place.targetPoint', 'Anchor of the target', POINT_CHOICES, place.targetPoint, (v) =>
      placed({ targetPoint: v }),
    ),
    targetProperty(place.target, (target) => placed({ target })),
    numberProperty('place.dxU', 'Offset across', ['u', -8000, 8000, 1], place.dxU, (dxU) => placed({ dxU })),
    numberProperty('place.dyU', 'Offset down', ['u', -8000, 8000, 1], place.dyU, (dyU) => placed({ dyU })),
    numberProperty('place.rotateDegrees', 'Rotation', ['°', -3600, 3600, 1], place.rotateDegrees, (v) =>
      placed({ rotateDegrees: v }),
    ),
    numberProperty('place.scaleX', 'Scale across', ['%', -2000, 2000, 1], place.scaleX * 100, (v) =>
      placed({ scaleX: v / 100 }),
    ),
    numberProperty('place.scaleY', 'Scale down', ['%', -2000, 2000, 1], place.scaleY * 100, (v) =>
      placed({ scaleY: v / 100 }),
    ),
    stateProperty(ATTACHMENT_PATH, 'Attachment', writeAttachment(place), layer, (value) => {
      const attachment = readAttachment(value);
      const isItself = attachment?.target.kind === 'layer' && attachment.target.layerId === layer.id;
      return attachment === null || isItself ? null : placed(attachment);
    }),
    figuresProperty('place.pin', 'Corner pin', PIN_FIGURES, place.pin, (pin) => placed({ pin })),
  ];
}

/** One figure of a pin by itself, as documents from before a pin had one key for all still name it. */
export function pinFigure(layer: Layer, path: string): Property | undefined {
  const i = Number(/^place\.pin\.([0-7])$/.exec(path)?.[1] ?? -1);
  const { pin } = layer.place;
  if (i < 0 || pin === null) return undefined;
  return numberProperty(path, PIN_FIGURES[i].label, ['u', -8000, 8000, 1], pin[i], (value) => ({
    ...layer,
    place: { ...layer.place, pin: pin.with(i, value) },
  }));
}

function depthProperties(layer: Layer): Property[] {
  const moved = (change: Partial<Layer['motion']>): Layer => ({
    ...layer,
    motion: { ...layer.motion, ...change },
  });
  const { turnX, turnY, perspectiveU, retime, fold, bend } = layer.motion;
  return [
    numberProperty('motion.turnX', 'Tip in depth', ['°', -3600, 3600, 1], turnX, (v) => moved({ turnX: v })),
    numberProperty('motion.turnY', 'Turn in depth', ['°', -3600, 3600, 1], turnY, (v) => moved({ turnY: v })),
    numberProperty('motion.perspectiveU', 'Eye distance', ['u', 50, 100_000, 50], perspectiveU, (v) =>
      moved({ perspectiveU: v }),
    ),
    ...(fold == null ? [] : foldProperties(fold, (next) => moved({ fold: next }))),
    ...(bend == null ? [] : bendProperties(bend, (next) => moved({ bend: next }))),
    ...(retime === null
      ? []
      : [
          numberProperty(
            'motion.retime.fromSeconds',
            'Moment of its own time',
            ['s', 0, 600, 0.1],
            retime.fromSeconds,
            (v) => moved({ retime: { ...retime, fromSeconds: v } }),
          ),
        ]),
  ];
}

function foldProperties(fold: Fold, write: (fold: Fold) => Layer): Property[] {
  return [
    numberProperty('motion.fold.degrees', 'Folded by', ['°', -3600, 3600, 1], fold.degrees, (degrees) =>
      write({ ...fold, degrees }),
    ),
    numberProperty('motion.fold.shade', 'Shade of the fold', ['%', 0, 100, 5], fold.shade * 100, (v) =>
      write({ ...fold, shade: v / 100 }),
    ),
  ];
}

const POINT_CHOICES = POINT_NAMES.map((value) => ({ value, label: POINT_LABELS[value] }));
const PIN_FIGURES = ['Top left', 'Top right', 'Bottom right', 'Bottom left'].flatMap((corner) =>
  ['across', 'down'].map((way) => ({
    label: `${corner}, ${way}`,
    unit: 'u' as const,
    min: -8000,
    max: 8000,
    step: 1,
  })),
);
type Glow = NonNullable<Look['glow']>;
const LAYER_PREFIX = 'layer:';

/** What a layer is attached to, as one word: an area's name, or `layer:` and a layer's id. */
function targetProperty(target: PlaceTarget, write: (target: PlaceTarget) => Layer): Property {
  const value = target.kind === 'layer' ? `${LAYER_PREFIX}${target.layerId}` : target.kind;
  const areas = SAFE_AREA_IDS.map((id) => ({ value: id, label: SAFE_AREA_LABELS[id] }));
  return {
    path: 'place.target',
    label: 'Attached to',
    part: 'place',
    stage: 'layout',
    fieldKind: 'choice',
    control: { kind: 'choice', choices: areas },
    value,
    with(next) {
      const word = String(next);
      const area = SAFE_AREA_IDS.find((id) => id === word);
      if (area !== undefined) return write({ kind: area });
      return write(
        word.startsWith(LAYER_PREFIX) ? { kind: 'layer', layerId: word.slice(LAYER_PREFIX.length) } : target,
      );
    },
  };
}

function lookProperties(layer: Layer): Property[] {
  const { look } = layer;
  const dressed = (change: Partial<Look>): Layer => ({ ...layer, look: { ...look, ...change } });
  return [
    numberProperty('look.blurAcrossU', 'Blur across', ['u', 0, 300, 1], look.blurAcrossU, (blurAcrossU) =>
      dressed({ blurAcrossU }),
    ),
    numberProperty('look.blurDownU', 'Blur down', ['u', 0, 300, 1], look.blurDownU, (blurDownU) =>
      dressed({ blurDownU }),
    ),
    ...(look.solid === null ? [] : solidProperties(look.solid, (solid) => dressed({ solid }))),
    pictureProperty('look.picture', 'Filled with', look.picture, (picture) => dressed({ picture })),
    ...look.outlines.flatMap((line, i) =>
      outlineProperties(layer, line, i, (next) => dressed({ outlines: look.outlines.with(i, next) })),
    ),
    ...look.shadows.flatMap((shadow, i) =>
      shadowProperties(shadow, i, (next) => dressed({ shadows: look.shadows.with(i, next) })),
    ),
    ...(look.glow === null ? [] : glowProperties(look.glow, (glow) => dressed({ glow }))),
    ...(look.reflection === null
      ? []
      : reflectionProperties(look.reflection, (reflection) => dressed({ reflection }))),
    ...(look.gradient?.stops ?? []).map((stop, i) =>
      colourProperty(`look.gradient.${i}`, `Gradient ${i + 1}`, stop.colour, (colour) =>
        look.gradient === null
          ? layer
          : dressed({
              gradient: { ...look.gradient, stops: look.gradient.stops.with(i, { ...stop, colour }) },
            }),
      ),
    ),
  ];
}

function glowProperties(glow: Glow, write: (glow: Glow) => Layer): Property[] {
  return [
    numberProperty('look.glow.sizeU', 'Glow', ['u', 0, 600, 1], glow.sizeU, (sizeU) =>
      write({ ...glow, sizeU }),
    ),
    numberProperty('look.glow.opacity', 'Glow strength', ['%', 0, 100, 5], glow.opacity * 100, (v) =>
      write({ ...glow, opacity: v / 100 }),
    ),
    colourProperty('look.glow.colour', 'Glow colour', glow.colour, (colour) => write({ ...glow, colour })),
  ];
}

function reflectionProperties(one: Reflection, write: (one: Reflection) => Layer): Property[] {
  return [
    numberProperty(
      'look.reflection.distanceU',
      'Reflection distance',
      ['u', -500, 1000, 1],
      one.distanceU,
      (v) => write({ ...one, distanceU: v }),
    ),
    numberProperty(
      'look.reflection.opacity',
      'Reflection strength',
      ['%', 0, 100, 5],
      one.opacity * 100,
      (v) => write({ ...one, opacity: v / 100 }),
    ),
    numberProperty('look.reflection.fade', 'Reflection fades over', ['%', 1, 100, 5], one.fade * 100, (v) =>
      write({ ...one, fade: v / 100 }),
    ),
  ];
}

function solidProperties(solid: Solid, write: (solid: Solid) => Layer): Property[] {
  return [
    numberProperty('look.solid.depthU', 'Depth', ['u', 0, 200, 1], solid.depthU, (depthU) =>
      write({ ...solid, depthU }),
    ),
    numberProperty(
      'look.solid.angleDegrees',
      'Depth goes to',
      ['°', -3600, 3600, 1],
      solid.angleDegrees,
      (v) => write({ ...solid, angleDegrees: v }),
    ),
    colourProperty('look.solid.colour', 'Sides', solid.colour, (colour) => write({ ...solid, colour })),
  ];
}

function outlineProperties(
  layer: Layer,
  line: EdgeLine,
  index: number,
  write: (line: EdgeLine) => Layer,
): Property[] {
  const path = `look.outlines.${index}`;
  const name = layer.look.outlines.length > 1 ? `Outline ${index + 1}` : 'Outline';
  return [
    numberProperty(`${path}.widthU`, name, ['u', 0, 200, 1], line.widthU, (widthU) =>
      write({ ...line, widthU }),
    ),
    colourProperty(`${path}.colour`, `${name} colour`, line.colour, (colour) => write({ ...line, colour })),
  ];
}

function shadowProperties(shadow: Shadow, index: number, write: (shadow: Shadow) => Layer): Property[] {
  const path = `look.shadows.${index}`;
  return [
    numberProperty(
      `${path}.distanceU`,
      `Shadow ${index + 1} distance`,
      ['u', 0, 1000, 1],
      shadow.distanceU,
      (distanceU) => write({ ...shadow, distanceU }),
    ),
    numberProperty(
      `${path}.angleDegrees`,
      `Shadow ${index + 1} angle`,
      ['°', -3600, 3600, 1],
      shadow.angleDegrees,
      (angleDegrees) => write({ ...shadow, angleDegrees }),
    ),
    numberProperty(
      `${path}.softnessU`,
      `Shadow ${index + 1} softness`,
      ['u', 0, 600, 1],
      shadow.softnessU,
      (softnessU) => write({ ...shadow, softnessU }),
    ),
    colourProperty(`${path}.colour`, `Shadow ${index + 1} colour`, shadow.colour, (colour) =>
      write({ ...shadow, colour }),
    ),
    numberProperty(
      `${path}.opacity`,
      `Shadow ${index + 1} strength`,
      ['%', 0, 100, 5],
      shadow.opacity * 100,
      (v) => write({ ...shadow, opacity: v / 100 }),
    ),
  ];
}
