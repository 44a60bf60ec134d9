import type { HexColour } from '../display/list';
import type { Edge, Title } from '../model/project';
import type { EdgeLine, Look } from '../model/look';
import type { Layer, Template } from '../model/template';

// A box that is no higher is a line.
const LINE_U = 6;
// A soft edge that is nearly black at the letters shows the picture again where it ends.
const SOFT_OPACITY = 0.9;

const known = new WeakMap<Template, { readonly edge: Edge; readonly template: Template }>();

/**
 * A template with an edge round its words that a title has for itself: a soft one as a shadow that falls nowhere, a hard
 * one as an outline. One in the words' own colour thickens them, and the template's thin lines too. Asked again for the
 * same edge it gives the same object.
 */
export function withWordsEdge(template: Template, edge: Title['edge']): Template {
  if (edge === null || edge === undefined) return template;
  const before = known.get(template);
  if (before !== undefined && sameEdge(before.edge, edge)) return before.template;
  const edged = { ...template, layers: template.layers.map((layer) => edgedLayer(layer, edge)) };
  known.set(template, { edge, template: edged });
  return edged;
}

function sameEdge(a: Edge, b: Edge): boolean {
  return a.colour === b.colour && a.widthU === b.widthU && a.softU === b.softU;
}

function edgedLayer(layer: Layer, edge: Edge): Layer {
  switch (layer.kind) {
    case 'text':
      return { ...layer, look: edgedLook(layer.look, edge, layer.style.fill) };
    case 'box': {
      const isLine = layer.height.kind === 'fixed' && layer.height.u <= LINE_U;
      return isLine && edge.colour === 'own'
        ? { ...layer, look: edgedLook(layer.look, edge, layer.fill) }
        : layer;
    }
    default:
      return layer;
  }
}

function edgedLook(look: Look, { colour, widthU, softU }: Edge, own: HexColour): Look {
  const shown = colour === 'own' ? own : colour;
  if (softU === 0) {
    const line: EdgeLine = { side: 'outside', widthU, colour: shown, opacity: 1 };
    return { ...look, outlines: [...look.outlines, line] };
  }
  const shadow = { kind: 'drop', angleDegrees: 90, distanceU: 0, softnessU: softU, spreadU: widthU } as const;
  return { ...look, shadows: [...look.shadows, { ...shadow, colour: shown, opacity: SOFT_OPACITY }] };
}
