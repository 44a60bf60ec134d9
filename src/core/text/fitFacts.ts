import { assertNever } from '../kit/assertNever';

/** One thing that was done to words or rows so that they fit; `share` is of the designed width of the letters. */
export type FitFact =
  | { readonly kind: 'wrapped'; readonly lines: number }
  | { readonly kind: 'squeezed'; readonly share: number }
  | { readonly kind: 'shrunk'; readonly sizeU: number }
  | { readonly kind: 'cut'; readonly letters: number; readonly of: number }
  | { readonly kind: 'rowsCut'; readonly rows: number; readonly of: number };

/** A fact as it follows "is": "squeezed to 83 %". */
export function sayFitFact(fact: FitFact): string {
  switch (fact.kind) {
    case 'wrapped':
      return `wrapped to ${fact.lines} lines`;
    case 'squeezed':
      return `squeezed to ${Math.round(fact.share * 100)} %`;
    case 'shrunk':
      return `shrunk to ${Math.round(fact.sizeU)} u`;
    case 'cut':
      return `cut after ${fact.letters} of ${fact.of} letters`;
    case 'rowsCut':
      return `cut to ${fact.rows} of ${fact.of} rows`;
    default:
      return assertNever(fact, 'fact');
  }
}

/** Of the facts of many texts, one of each kind: the one that changes most, in the order in which kinds came first. */
export function hardestFacts(facts: readonly FitFact[]): FitFact[] {
  const kept = new Map<FitFact['kind'], FitFact>();
  for (const fact of facts) {
    const other = kept.get(fact.kind);
    if (other === undefined || hardness(fact) > hardness(other)) kept.set(fact.kind, fact);
  }
  return [...kept.values()];
}

/** How much of the designed text a fact takes away; only facts of one kind can be compared. */
function hardness(fact: FitFact): number {
  switch (fact.kind) {
    case 'wrapped':
      return fact.lines;
    case 'squeezed':
      return -fact.share;
    case 'shrunk':
      return -fact.sizeU;
    case 'cut':
      return fact.of - fact.letters;
    case 'rowsCut':
      return fact.of - fact.rows;
    default:
      return assertNever(fact, 'fact');
  }
}
