import type { Pivot } from './move';
import { defineMove, numberParam } from './move';
import { from } from './part';

interface Edge {
  readonly label: string;
  readonly turn: 'turnX' | 'turnY';
  /** Which way it turns to go away from the viewer. */
  readonly away: 1 | -1;
}

/** The edges that something can fold about; the pivot of each has its name. */
const EDGES = {
  left: { label: 'Left', turn: 'turnY', away: 1 },
  right: { label: 'Right', turn: 'turnY', away: -1 },
  top: { label: 'Top', turn: 'turnX', away: 1 },
  bottom: { label: 'Bottom', turn: 'turnX', away: -1 },
} as const satisfies Partial<Record<Pivot, Edge>>;

export type FoldEdge = keyof typeof EDGES;

/** The names of the edges, in the order in which menus show them. */
export const FOLD_EDGES = Object.keys(EDGES) as readonly FoldEdge[];

/** The edges as choices. */
export const FOLD_CHOICES = FOLD_EDGES.map((value) => ({ value, label: EDGES[value].label }));

/** The turn about an edge by so many degrees away from the viewer. */
export function foldTurn(
  edge: FoldEdge,
  degrees: number,
): { readonly turnX: number; readonly turnY: number } {
  const { turn, away } = EDGES[edge];
  return { turnX: 0, turnY: 0, [turn]: away * degrees };
}

export const fold = defineMove({
  id: 'fold',
  label: 'Fold open at an edge',
  params: [
    { id: 'edge', label: 'Edge', control: 'choice', choices: FOLD_CHOICES, preset: 'left' },
    numberParam('angleDegrees', 'From', ['°', -180, 180, 90]),
    numberParam('shade', 'Shade', ['%', 0, 100, 60]),
  ],
  suits: { ease: 'glide' },
  // It turns about the edge that stays where it is, and is the darker the further it is turned from the light.
  plan: (_unit, params) => {
    const edge = FOLD_EDGES.find((one) => one === params.choice('edge')) ?? 'left';
    const { turn, away } = EDGES[edge];
    return {
      parts: [
        from(turn, away * params.number('angleDegrees')),
        from('shade', params.number('shade') / 100),
        // Seen from beside it, even what stands edge-on shows something of its face.
        from('opacity', 0, { until: 0.15, ease: 'even' }),
      ],
      pivot: edge,
    };
  },
});
