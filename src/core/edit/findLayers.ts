import type { Layer } from '../model/template';

/** The layers whose name, words or kind have all words of `wanted` in them, in any order, whatever their case; all for none. */
export function findLayers(layers: readonly Layer[], wanted: string): readonly Layer[] {
  const words = plain(wanted).split(/\s+/).filter(Boolean);
  if (words.length === 0) return layers;
  return layers.filter((layer) => {
    const known = plain(`${layer.name} ${layer.kind} ${wordsIn(layer)}`);
    return words.every((word) => known.includes(word));
  });
}

const plain = (text: string): string => text.normalize('NFKC').toLowerCase();

function wordsIn(layer: Layer): string {
  return layer.kind === 'text' ? layer.runs.map(({ text }) => text).join('') : '';
}
