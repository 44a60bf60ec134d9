import { PLAIN_LOOK } from './look';
import type { Template } from './template';

/*
 * Documents of earlier versions are brought up to date one version at a time. What comes in was checked by the
 * version that wrote it, so a part that is not as expected is passed on as it is, for the schema to name.
 */
type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

/** A template document of this or an earlier version as one of the newest. Others are returned untouched. */
export function upgradeTemplate(value: unknown): unknown {
  if (!isObject(value)) return value;
  if (value.version === 1) return fromVersion2(fromVersion1(value));
  return value.version === 2 ? fromVersion2(value) : value;
}

/** A template document from our own database, brought up to date. It was checked before it was written. */
export function storedTemplate(value: unknown): Template {
  return upgradeTemplate(value) as Template;
}

const STYLE_ADDED = { width: 100, shift: 0, figures: 'font', ligatures: true, fractions: false };
const PLACE_ADDED = { rotateDegrees: 0, scaleX: 1, scaleY: 1, keepInside: null, pin: null };
const NO_LIMITS = { minWidthU: null, maxWidthU: null, minHeightU: null, maxHeightU: null };

function fromVersion1(document: Json): Json {
  return {
    ...document,
    version: 2,
    layers: list(document.layers).map((layer) => (isObject(layer) ? layer1(layer) : layer)),
    fields: list(document.fields).map((field) => (isObject(field) ? field1(field) : field)),
    overrides: [],
    areas: [],
    guides: [],
  };
}

const MOVE_ADDED = { seed: 1, ranks: [], gapSeconds: null, waits: false, spread: 'even', pivot: null };
const MOTION_ADDED = {
  hold: [],
  shutterDegrees: 0,
  perspectiveU: 1600,
  turnX: 0,
  turnY: 0,
  tracks: [],
  retime: null,
};

/** Several moves act together from version 3 on, and one can be a matte. */
function fromVersion2(document: Json): Json {
  const layers = list(document.layers).map((layer) => {
    if (!isObject(layer) || !isObject(layer.motion)) return layer;
    const moves = (use: unknown): unknown => {
      if (use === 'mirror') return use;
      return isObject(use) ? [{ ...MOVE_ADDED, ...use }] : [];
    };
    const motion = { ...MOTION_ADDED, in: moves(layer.motion.in), out: moves(layer.motion.out) };
    const look = isObject(layer.look) ? { ...PLAIN_LOOK, ...layer.look } : layer.look;
    return { ...layer, look, motion, matte: null };
  });
  return { ...document, version: 3, layers, marks: [] };
}

function layer1({ shadow, outline, radiusU, ...layer }: Json): Json {
  const look = {
    ...PLAIN_LOOK,
    shadows: isObject(shadow) ? [{ kind: 'drop', spreadU: 0, ...shadow }] : [],
    outlines: isObject(outline) ? [{ side: 'centre', opacity: 1, ...outline }] : [],
  };
  const place = isObject(layer.place) ? { ...layer.place, ...PLACE_ADDED } : layer.place;
  const common = { ...layer, place, look, finish: null };
  if (layer.kind === 'text') {
    const style = isObject(layer.style) ? { ...layer.style, ...STYLE_ADDED } : layer.style;
    return { ...common, style, columnU: null, balanced: false, highlight: null };
  }
  const radiiU = [radiusU, radiusU, radiusU, radiusU];
  return { ...common, shape: { kind: 'rectangle', radiiU, corner: 'round' }, limits: NO_LIMITS };
}

function field1(field: Json): Json {
  const targets = list(field.targets).map((target) =>
    isObject(target) && typeof target.path === 'string'
      ? { ...target, path: target.path.replace(/^outline\./, 'look.outlines.0.') }
      : target,
  );
  return { ...field, targets, section: '', automatic: null };
}
