import type { Layer } from '../document/template';
import { assertNever } from '../kit/assertNever';
import { bindBox } from './box';
import type { BoundLayer, Property } from './layerKind';
import { bindText } from './text';

/** What a layer's kind knows about it. Each kind is one file and one line here. */
export function bindLayer(layer: Layer): BoundLayer {
  switch (layer.kind) {
    case 'text':
      return bindText(layer);
    case 'box':
      return bindBox(layer);
    default:
      return assertNever(layer, 'layer kind');
  }
}

/** A layer's property by path, or undefined when its kind has none of that name now. */
export function findProperty(layer: Layer, path: string): Property | undefined {
  return bindLayer(layer).properties.find((property) => property.path === path);
}
