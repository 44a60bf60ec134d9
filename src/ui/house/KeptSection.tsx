'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import { finishUses, moveUses } from '@/core/document/houseChanges';
import type { SectionProps } from './HouseScreen';
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
          <Entry
            key={finish.id}
            name={finish.name}
            about={finish.kind === 'text' ? 'for texts' : 'for boxes'}
            onRename={(name) =>
              onChange({ finishes: finishes.map((one) => (one.id === finish.id ? { ...one, name } : one)) })
            }
            onRemove={() => onChange({ finishes: finishes.filter(({ id }) => id !== finish.id) })}
          >
            <Uses templates={templates} count={(template) => finishUses(template, finish.id)} />
          </Entry>
        ))}
      </ul>
      <h3 className="caps pb-1">Moves</h3>
      {moves.length === 0 && <p className="text-soft">None yet. Make a motion on the bench and keep it.</p>}
      <ul className="grid gap-1.5">
        {moves.map((move) => (
          <Entry
            key={move.id}
            name={move.name}
            about={`${move.motion.in.length} in, ${move.motion.out === 'mirror' ? 'out mirrored' : `${move.motion.out.length} out`}`}
            onRename={(name) =>
              onChange({ moves: moves.map((one) => (one.id === move.id ? { ...one, name } : one)) })
            }
            onRemove={() => onChange({ moves: moves.filter(({ id }) => id !== move.id) })}
          >
            <Uses templates={templates} count={(template) => moveUses(template, move)} />
          </Entry>
        ))}
      </ul>
    </>
  );
}

interface EntryProps {
  readonly name: string;
  readonly about: string;
  readonly onRename: (name: string) => void;
  readonly onRemove: () => void;
  readonly children: React.ReactNode;
}

function Entry({ name, about, onRename, onRemove, children }: EntryProps) {
  return (
    <li className="grid grid-cols-[180px_130px_1fr_32px] items-center gap-3">
      <input
        aria-label={`Name of ${name}`}
        value={name}
        maxLength={60}
        onChange={(event) => event.target.value !== '' && onRename(event.target.value)}
        className="h-8 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <span className="text-soft">{about}</span>
      {children}
      <button
        type="button"
        aria-label={`Remove ${name}`}
        className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
        onClick={onRemove}
      >
        <TrashIcon className="h-4 w-4" />
      </button>
    </li>
  );
}
