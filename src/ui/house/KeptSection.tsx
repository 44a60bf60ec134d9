'use client';
import { finishUses, moveUses } from '@/core/model/houseChanges';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';
import { Uses } from './uses';

/** Finishes and moves that were kept on the bench. */
export function KeptSection({ house, templates, onChange }: SectionProps) {
  const { finishes, moves } = house;
  return (
    <>
      <p className="pb-3 text-soft">
        Kept on the bench, under Type and Motion. A finish that is changed there goes on to every layer that
        has it.
      </p>
      <h3 className="caps pb-1">Finishes</h3>
      {finishes.length === 0 && (
        <p className="pb-3 text-soft">None yet. Style a text or a box on the bench and keep it.</p>
      )}
      <ul className="grid gap-1.5 pb-4">
        {finishes.map((finish) => (
          <NamedRow
            key={finish.id}
            name={finish.name}
            onRename={(name) =>
              onChange({ finishes: finishes.map((one) => (one.id === finish.id ? { ...one, name } : one)) })
            }
            onRemove={() => onChange({ finishes: finishes.filter(({ id }) => id !== finish.id) })}
          >
            <span className="text-soft">{finish.kind === 'text' ? 'for texts' : 'for boxes'}</span>
            <Uses templates={templates} count={(template) => finishUses(template, finish.id)} />
          </NamedRow>
        ))}
      </ul>
      <h3 className="caps pb-1">Moves</h3>
      {moves.length === 0 && <p className="text-soft">None yet. Make a motion on the bench and keep it.</p>}
      <ul className="grid gap-1.5">
        {moves.map((move) => (
          <NamedRow
            key={move.id}
            name={move.name}
            onRename={(name) =>
              onChange({ moves: moves.map((one) => (one.id === move.id ? { ...one, name } : one)) })
            }
            onRemove={() => onChange({ moves: moves.filter(({ id }) => id !== move.id) })}
          >
            <span className="text-soft">{`${move.motion.in.length} in, ${move.motion.out === 'mirror' ? 'out mirrored' : `${move.motion.out.length} out`}`}</span>
            <Uses templates={templates} count={(template) => moveUses(template, move)} />
          </NamedRow>
        ))}
      </ul>
    </>
  );
}
