import { mirrorPoint } from '../frame/points';
import { ATTACHMENT_PATH, mirrorAttachments } from '../model/attachment';
import { isAlign, mirrorAlign } from './mirrorAlign';
import type { Mirroring } from '../model/mirroring';
import type { Fold, Layer, Mirrored, Place, Track } from '../model/template';

/**
 * A layer as it is in a mirrored template: its properties, its keyframes with them, and what is to be mirrored as it is
 * drawn. Pictures, letters and shadows are not turned round: a logo reads as before, and light falls as it did.
 */
export function mirrorLayer(layer: Layer, how: Mirroring): Layer {
  let made: Layer = { ...layer, mirrored: drawnMirrored(how) };
  if (how.places) made = withMirroredPlace(made);
  if (how.forms) made = withMirroredForm(made);
  if (how.rows && made.kind === 'stack' && made.direction === 'along')
    made = { ...made, members: made.members.toReversed() };
  if (how.moves && made.kind === 'credits')
    made = { ...made, roll: { ...made.roll, way: WAYS[made.roll.way] } };
  return made;
}

function drawnMirrored({ forms, rows, moves }: Mirroring): Mirrored {
  return { ...(forms && { forms }), ...(rows && { rows }), ...(moves && { moves }) };
}

const WAYS = { up: 'up', down: 'down', left: 'right', right: 'left' } as const;
const ENDS = { start: 'end', centre: 'centre', end: 'start' } as const;

function withMirroredPlace(layer: Layer): Layer {
  const placed: Layer = {
    ...layer,
    place: mirrorPlace(layer.place),
    motion: {
      ...layer.motion,
      turnY: negative(layer.motion.turnY),
      ...(layer.motion.fold != null && { fold: mirrorFold(layer.motion.fold) }),
      ...(layer.motion.bend != null && { bend: { ...layer.motion.bend, mirrored: true } }),
      tracks: layer.motion.tracks.map((track) => PLACE_TRACKS[track.path]?.(track) ?? mirrorPinTrack(track)),
    },
  };
  if (placed.kind === 'text') return { ...placed, align: mirrorAlign(placed.align) };
  if (placed.kind === 'stack' && placed.direction === 'down') return { ...placed, align: ENDS[placed.align] };
  return placed;
}

const FOLDED: Readonly<Record<Fold['edge'], Fold['edge']>> = {
  left: 'right',
  right: 'left',
  top: 'top',
  bottom: 'bottom',
};
const mirrorFold = (fold: Fold): Fold => ({ ...fold, edge: FOLDED[fold.edge] });

/** A place on the other side of what it is measured from. */
function mirrorPlace(place: Place): Place {
  const { pin } = place;
  return {
    ...place,
    point: mirrorPoint(place.point),
    targetPoint: mirrorPoint(place.targetPoint),
    dxU: negative(place.dxU),
    rotateDegrees: negative(place.rotateDegrees),
    pin: pin && mirrorPin(pin),
  };
}

const mirrorPin = (pin: readonly number[]): number[] =>
  PIN_FROM.map((from, i) => (i % 2 === 0 ? negative(pin[from]) : pin[from]));

// Where each figure of a pin comes from: the corners clockwise from the top left, as the mirror shows them.
const PIN_FROM = [2, 3, 0, 1, 6, 7, 4, 5];

const negative = (value: number): number => (value === 0 ? 0 : -value);

/** A track with each of its figures changed; what is no figure stays. */
function withFigures(track: Track, change: (figure: number) => number): Track {
  return {
    ...track,
    keys: track.keys.map((key) =>
      typeof key.value === 'number' ? { ...key, value: change(key.value) } : key,
    ),
  };
}

const turned = (track: Track): Track => withFigures(track, negative);
const pointed = (track: Track): Track => ({
  ...track,
  keys: track.keys.map((key) => ({ ...key, value: mirrorPoint(key.value as Place['point']) })),
});

const PLACE_TRACKS: Readonly<Partial<Record<string, (track: Track) => Track>>> = {
  'place.dxU': turned,
  'place.rotateDegrees': turned,
  'motion.turnY': turned,
  'place.point': pointed,
  'place.targetPoint': pointed,
  [ATTACHMENT_PATH]: mirrorAttachments,
  'place.pin': (track) => ({
    ...track,
    keys: track.keys.map((key) => {
      const pin = String(key.value).split(' ').map(Number);
      return pin.length === PIN_FROM.length ? { ...key, value: mirrorPin(pin).join(' ') } : key;
    }),
  }),
  align: (track) => ({
    ...track,
    keys: track.keys.map((key) => (isAlign(key.value) ? { ...key, value: mirrorAlign(key.value) } : key)),
  }),
};

function mirrorPinTrack(track: Track): Track {
  const at = /^place\.pin\.([0-7])$/.exec(track.path);
  if (at === null) return track;
  const to = PIN_FROM.indexOf(Number(at[1]));
  const moved = { ...track, path: `place.pin.${to}` };
  return to % 2 === 0 ? turned(moved) : moved;
}

const PADDING: Readonly<Partial<Record<string, string>>> = {
  'padding.leftU': 'padding.rightU',
  'padding.rightU': 'padding.leftU',
};

/** A panel's padding and gradient on their other sides; its corners are mirrored as it is drawn. */
function withMirroredForm(layer: Layer): Layer {
  if (layer.kind !== 'box') return layer;
  const { padding, look, motion } = layer;
  const { gradient } = look;
  return {
    ...layer,
    padding: { ...padding, leftU: padding.rightU, rightU: padding.leftU },
    look: { ...look, gradient: gradient && { ...gradient, angleDegrees: 180 - gradient.angleDegrees } },
    motion: {
      ...motion,
      tracks: motion.tracks.map((track) => ({ ...track, path: PADDING[track.path] ?? track.path })),
    },
  };
}
