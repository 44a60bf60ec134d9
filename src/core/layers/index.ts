import type { Layer } from '../document/template';
import { assertNever } from '../kit/assertNever';
import { bindBackdrop } from './backdrop';
import { baseProperties } from './baseProperties';
import { bindBox } from './box';
import { bindCopy } from './copy';
import { bindGroup } from './group';
import type { BoundLayer, Property } from './layerKind';
import { bindLight } from './light';
import { bindParticles } from './particles';
import { bindPicture } from './picture';
import { bindRows } from './rows';
import { bindStack } from './stack';
import { bindText } from './text';

/** What a layer's kind knows about it, with the properties that all kinds share behind its own. */
export function bindLayer(layer: Layer): BoundLayer {
  const bound = bindKind(layer);
  return { ...bound, properties: [...bound.properties, ...baseProperties(layer)] };
}

/** Each kind is one file and one line here. */
function bindKind(layer: Layer): BoundLayer {
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
    case 'light':
      return bindLight(layer);
    case 'group':
      return bindGroup(layer);
    case 'stack':
      return bindStack(layer);
    case 'copy':
      return bindCopy(layer);
    case 'rows':
      return bindRows(layer);
    default:
      return assertNever(layer, 'layer kind');
  }
}

/** A layer's property by path, or undefined when its kind has none of that name now. */
export function findProperty(layer: Layer, path: string): Property | undefined {
  return bindLayer(layer).properties.find((property) => property.path === path);
}
