import type { Spread, UnitKind } from '@/core/model/template';
import type { Pivot } from '@/core/moves/move';

export const UNIT_LABELS: Readonly<Record<UnitKind, string>> = {
  layer: 'Whole',
  member: 'Member',
  paragraph: 'Paragraph',
  row: 'Row',
  line: 'Line',
  word: 'Word',
  letter: 'Letter',
};

export const UNITS_LABELS: Readonly<Record<UnitKind, string>> = {
  layer: 'Layers',
  member: 'Members',
  paragraph: 'Paragraphs',
  row: 'Rows',
  line: 'Lines',
  word: 'Words',
  letter: 'Letters',
};

export const SPREAD_LABELS: readonly { readonly value: Spread; readonly label: string }[] = [
  { value: 'even', label: 'Evenly' },
  { value: 'slowFast', label: 'Slow, then fast' },
  { value: 'fastSlow', label: 'Fast, then slow' },
  { value: 'uneven', label: 'Unevenly, at random' },
];

export const PIVOT_LABELS: Readonly<Record<Pivot, string>> = {
  centre: 'Its middle',
  baseline: 'Its baseline',
  left: 'Its left edge',
  right: 'Its right edge',
  top: 'Its top',
  bottom: 'Its foot',
  topLeft: 'Its top left corner',
  topRight: 'Its top right corner',
  bottomLeft: 'Its bottom left corner',
  bottomRight: 'Its bottom right corner',
};

/** A family's variants as choices. */
export const idChoices = (
  list: readonly { readonly id: string; readonly label: string }[],
): { value: string; label: string }[] => list.map(({ id, label }) => ({ value: id, label }));
