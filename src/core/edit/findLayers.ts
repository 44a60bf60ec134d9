import { saysAll } from '../kit/saysAll';
import type { Layer } from '../model/template';

/** The layers whose name, words or kind have all words of `wanted` in them; all for none. */
export function findLayers(layers: readonly Layer[], wanted: string): readonly Layer[] {
  if (wanted.trim() === '') return layers;
  return layers.filter((layer) => saysAll(`${layer.name} ${layer.kind} ${wordsIn(layer)}`, wanted));
}

function wordsIn(layer: Layer): string {
  return layer.kind === 'text' ? layer.runs.map(({ text }) => text).join('') : '';
}
