'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import { newHoldUse } from '@/core/document/newMove';
import type { HoldUse, Layer } from '@/core/document/template';
import { HOLD_MOVES } from '@/core/holdMoves';
import { bindLayer } from '@/core/layers';
import { Row } from '../PropertyRow';
import { MoveMenu } from './MoveMenu';
import { UnitChoice } from './MoveRows';
import { ParamRows } from './ParamRows';

interface Props {
  readonly layer: Layer;
  readonly uses: readonly HoldUse[];
  readonly onChange: (uses: readonly HoldUse[]) => void;
}

/** What goes on while the title holds. */
export function HoldRows({ layer, uses, onChange }: Props) {
  const units = bindLayer(layer).unitKinds;
  const offers = useMemo(
    () =>
      HOLD_MOVES.list.map(({ id, label }) => ({
        id,
        label,
        previewed: { kind: 'hold' as const, use: suited(layer, id) },
      })),
    [layer],
  );
  const replace = (index: number, use: HoldUse): void => onChange(uses.with(index, use));
  return (
    <>
      {uses.map((use, i) => {
        const move = HOLD_MOVES.get(use.move);
        const of = uses.length > 1 ? `hold ${i + 1}` : 'hold';
        return (
          <div key={i} className="mb-1 rounded-lg border border-line px-2 py-1">
            <div className="flex items-center gap-1 py-1">
              <MoveMenu
                label={`Move ${of}: ${move.label}`}
                button={move.label}
                layer={layer}
                offers={offers}
                chosen={use.move}
                onPick={(id) => replace(i, suited(layer, id))}
              />
              <button
                type="button"
                aria-label={`Take away ${move.label}, ${of}`}
                title="Take this move away"
                onClick={() => onChange(uses.toSpliced(i, 1))}
                className="grid h-8 w-8 shrink-0 place-items-center rounded-lg text-soft hover:bg-paper"
              >
                <TrashIcon className="h-4 w-4" />
              </button>
            </div>
            {units.length > 1 && (
              <Row label="Moves by">
                <UnitChoice
                  label={`Moves by, ${of}`}
                  units={units}
                  value={use.unit}
                  onChange={(unit) => replace(i, { ...use, unit })}
                />
              </Row>
            )}
            <ParamRows
              params={move.params}
              of={of}
              values={use.params}
              onChange={(params) => replace(i, { ...use, params })}
            />
          </div>
        );
      })}
      {uses.length < 8 && (
        <MoveMenu
          label="Add a move to the hold"
          button={uses.length === 0 ? 'None, it stands still' : 'Add another'}
          layer={layer}
          offers={offers}
          chosen={null}
          onPick={(id) => onChange([...uses, suited(layer, id)])}
        />
      )}
    </>
  );
}

function suited(layer: Layer, id: string): HoldUse {
  const { suits } = HOLD_MOVES.get(id);
  const unit =
    suits.unit !== undefined && bindLayer(layer).unitKinds.includes(suits.unit) ? suits.unit : 'layer';
  return newHoldUse(id, { unit });
}
