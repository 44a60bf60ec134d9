'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import type { Layer } from '@/core/model/template';
import type { Offer } from './MoveMenu';
import { MoveMenu } from './MoveMenu';

interface Props {
  /** Which move it is, such as "in" or "hold 2". */
  readonly of: string;
  readonly move: { readonly id: string; readonly label: string };
  readonly layer: Layer;
  readonly offers: readonly Offer[];
  readonly onPick: (id: string) => void;
  readonly onRemove: () => void;
}

/** The head of a move's settings: which move it is, to be changed for another or taken away. */
export function MoveHead({ of, move, layer, offers, onPick, onRemove }: Props) {
  return (
    <div className="flex items-center gap-1 py-1">
      <MoveMenu
        label={`Move ${of}: ${move.label}`}
        button={move.label}
        layer={layer}
        offers={offers}
        chosen={move.id}
        onPick={onPick}
      />
      <button
        type="button"
        aria-label={`Take away ${move.label}, ${of}`}
        title="Remove this move"
        onClick={onRemove}
        className="grid h-8 w-8 shrink-0 place-items-center rounded-lg text-soft hover:bg-paper"
      >
        <TrashIcon className="h-4 w-4" />
      </button>
    </div>
  );
}
