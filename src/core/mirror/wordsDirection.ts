import { bidi } from '../kit/bidi';
import type { Layer, Template } from '../model/template';
import { layerWords } from '../model/template';

// Beyond this nothing more is learnt of which way a text runs.
const MOST_CHARACTERS = 2000;

/**
 * Whether more letters of some words run from right to left than the other way, by their bidirectional classes (UAX 9,
 * table 4). Figures and signs do not count; words without letters run from left to right.
 */
export function runsRightToLeft(words: string): boolean {
  let balance = 0;
  for (const character of words.slice(0, MOST_CHARACTERS)) {
    const type = bidi.getBidiCharTypeName(character);
    if (type === 'R' || type === 'AL') balance++;
    else if (type === 'L') balance--;
  }
  return balance > 0;
}

/**
 * Whether the words of a template with its values in it run from right to left. Those that editors fill decide, so that a
 * name of a channel that always stands there does not; where there are none, all do.
 */
export function templateRunsRightToLeft({ layers, fields }: Template): boolean {
  const open = new Set(fields.flatMap(({ targets }) => targets.map(({ layerId }) => layerId)));
  const filled = wordsOf(layers.filter(({ id }) => open.has(id)));
  return runsRightToLeft(filled.trim() === '' ? wordsOf(layers) : filled);
}

function wordsOf(layers: readonly Layer[]): string {
  return layers
    .map((layer) => (layer.kind === 'credits' ? creditWords(layer) : layerWords(layer)))
    .join('\n');
}

function creditWords({ rows }: Extract<Layer, { kind: 'credits' }>): string {
  return rows.map((row) => ('name' in row ? row.name : '')).join('\n');
}
