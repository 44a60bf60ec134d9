'use client';
import { useMemo } from 'react';
import { newHoldUse } from '@/core/model/newMove';
import type { HoldUse, Layer } from '@/core/model/template';
import { HOLD_MOVES } from '@/core/holdMoves';
import { bindLayer } from '@/core/layers';
import { Row } from '../settings/PropertyRow';
import { MoveHead } from './MoveHead';
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
            <MoveHead
              of={of}
              move={move}
              layer={layer}
              offers={offers}
              onPick={(id) => replace(i, suited(layer, id))}
              onRemove={() => onChange(uses.toSpliced(i, 1))}
            />
            {units.length > 1 && (
              <Row label="Animate by">
                <UnitChoice
                  label={`Animate by, ${of}`}
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
