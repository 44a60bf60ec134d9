import { bindLayer } from '../layers';
import { newMoveUse, UNIT_SECONDS } from '../model/newMove';
import type { Layer, MoveUse } from '../model/template';
import { plainText } from '../model/template';
import { MOVES } from '../moves';
import type { Move } from '../moves/move';

/** The kinds of layer that have what some moves need. */
const HAVE: Readonly<Record<NonNullable<Move['needs']>, readonly Layer['kind'][]>> = {
  letters: ['text'],
  figures: ['text', 'rows'],
  outlines: ['text', 'rows', 'box'],
};

/** The moves that do something to a layer; figures are counted where it has some as it is designed. */
export function movesFor(layer: Layer): readonly Move[] {
  const has = (needs: NonNullable<Move['needs']>): boolean =>
    HAVE[needs].includes(layer.kind) && (needs !== 'figures' || /\p{Nd}/u.test(wordsIn(layer)));
  return MOVES.list.filter(({ needs }) => needs === undefined || has(needs));
}

function wordsIn(layer: Layer): string {
  if (layer.kind === 'text') return plainText(layer);
  return layer.kind === 'rows' ? layer.rows : '';
}

/**
 * Another move with its own settings, on the units that suit it where this layer has them; as a move of the out with those
 * that suit a way out.
 */
export function pickMove(layer: Layer, use: MoveUse, id: string, column: 'in' | 'out' = 'in'): MoveUse {
  const { suits, leaves } = MOVES.get(id);
  const units = bindLayer(layer).unitKinds;
  // Rows that came one by one go on doing so.
  const other = use.unit === 'row' && units.includes('row') ? 'row' : 'layer';
  const unit = suits.unit !== undefined && units.includes(suits.unit) ? suits.unit : other;
  const { startSeconds, lengthSeconds, seed } = use;
  const picked = newMoveUse(id, { startSeconds, lengthSeconds, seed, ...suits, unit });
  const params = column === 'out' ? { ...picked.params, ...leaves } : picked.params;
  return pacedMove({ ...picked, params }, suits.unitSeconds);
}

/**
 * A move at a pace that suits its units where none was chosen; null shares the length among them. What moves all together
 * has no pace to keep.
 */
export function pacedMove(use: MoveUse, unitSeconds: number | null | undefined): MoveUse {
  const own = use.unit === 'layer' || use.overlap >= 1 ? undefined : UNIT_SECONDS[use.unit];
  return { ...use, unitSeconds: unitSeconds === undefined ? (own ?? null) : unitSeconds };
}
