import { FACES } from '../faces/faces';
import type { Layer } from '../model/template';
import { assertNever } from '../kit/assertNever';
import { bindBackdrop } from './backdrop';
import { baseProperties, pinFigure } from './baseProperties';
import { bindBox } from './box';
import { bindCopy } from './copy';
import { bindCredits } from './credits';
import { bindGroup } from './group';
import type { BoundLayer, LayerBinding, Property } from './layerKind';
import { bindLight } from './light';
import { bindParticles } from './particles';
import { bindPicture } from './picture';
import { bindProgramme } from './programme';
import { bindRows } from './rows';
import { bindStack } from './stack';
import { bindText } from './text';

// Layers are never changed, so what is known of one stays true. A layout asks several times for each layer.
const bound = new WeakMap<Layer, BoundLayer>();

/** What a layer's kind knows about it, with the properties that all kinds share behind its own. */
export function bindLayer(layer: Layer): BoundLayer {
  const known = bound.get(layer);
  if (known !== undefined) return known;
  const { properties: own, ...rest } = bindKind(layer);
  let all: readonly Property[] | null = null;
  // Which faces and weights can be chosen changes when the House takes one in.
  let faces = FACES.list;
  const fresh: BoundLayer = {
    ...rest,
    get properties() {
      if (all === null || faces !== FACES.list) all = [...own(), ...baseProperties(layer)];
      faces = FACES.list;
      return all;
    },
  };
  bound.set(layer, fresh);
  return fresh;
}

/** Each kind is one file and one line here. */
function bindKind(layer: Layer): LayerBinding {
  switch (layer.kind) {
    case 'text':
      return bindText(layer);
    case 'box':
      return bindBox(layer);
    case 'picture':
      return bindPicture(layer);
    case 'backdrop':
      return bindBackdrop(layer);
    case 'particles':
      return bindParticles(layer);
    case 'programme':
      return bindProgramme(layer);
    case 'light':
      return bindLight(layer);
    case 'group':
      return bindGroup(layer);
    case 'stack':
      return bindStack(layer);
    case 'copy':
      return bindCopy(layer);
    case 'credits':
      return bindCredits(layer);
    case 'rows':
      return bindRows(layer);
    default:
      return assertNever(layer, 'layer kind');
  }
}

/** A layer's property by path, or undefined when its kind has none of that name now. */
export function findProperty(layer: Layer, path: string): Property | undefined {
  return bindLayer(layer).properties.find((property) => property.path === path) ?? pinFigure(layer, path);
}
