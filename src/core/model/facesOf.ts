import type { Layer } from './template';

/** The ids of all faces that a layer sets words in, each once. */
export function facesOf(layer: Layer): string[] {
  return [...new Set(allFaces(layer))];
}

function allFaces(layer: Layer): string[] {
  switch (layer.kind) {
    case 'text':
      return [layer.style.face, ...layer.runs.flatMap((run) => run.style?.face ?? [])];
    case 'rows':
      return layer.columns.map(({ style }) => style.face);
    case 'credits':
      return Object.values(layer.styles).map(({ face }) => face);
    default:
      return [];
  }
}
