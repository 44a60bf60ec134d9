'use client';
import { useState } from 'react';
import { finishUses, moveUses } from '@/core/model/houseChanges';
import type { SectionProps } from './HouseScreen';
import type { OwnMove } from '@/core/model/house';
import { LONGEST_NAME } from '@/core/model/house';
import { LONGEST_TAG, MOST_TAGS, readTags, tagsToText } from '@/core/model/tags';
import { NamedRow } from './NamedRow';
import { Uses } from './uses';

/** Finishes and moves that were kept on the bench. */
export function KeptSection({ house, templates, onChange }: SectionProps) {
  const { finishes, moves } = house;
  const change = (id: string, next: Partial<OwnMove>): void =>
    onChange({ moves: moves.map((one) => (one.id === id ? withoutEmpty({ ...one, ...next }) : one)) });
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
            onRename={(name) => change(move.id, { name })}
            onRemove={() => onChange({ moves: moves.filter(({ id }) => id !== move.id) })}
          >
            <span className="text-soft">{`${move.motion.in.length} in, ${move.motion.out === 'mirror' ? 'out mirrored' : `${move.motion.out.length} out`}`}</span>
            <span className="flex min-w-0 items-center gap-3">
              <FoundBy move={move} onChange={(found) => change(move.id, found)} />
              <Uses templates={templates} count={(template) => moveUses(template, move)} />
            </span>
          </NamedRow>
        ))}
      </ul>
    </>
  );
}

/** A move without a folder, and without tags, where those are empty. */
function withoutEmpty({ folder, tags = [], ...move }: OwnMove): OwnMove {
  const named = folder !== undefined && folder.trim() !== '';
  return { ...move, ...(named && { folder }), ...(tags.length > 0 && { tags }) };
}

const FIELD = 'h-8 min-w-0 flex-1 rounded-lg border border-line-strong bg-field px-2.5';

interface FoundByProps {
  readonly move: OwnMove;
  readonly onChange: (found: Pick<OwnMove, 'folder' | 'tags'>) => void;
}

/** The folder and the tags that a move is found by in the menu of moves. */
function FoundBy({ move, onChange }: FoundByProps) {
  // Tags are read once they are typed: a comma at the end is not an end yet.
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <span className="flex min-w-0 flex-1 gap-1.5">
      <input
        aria-label={`Folder of ${move.name}`}
        placeholder="Folder"
        value={move.folder ?? ''}
        maxLength={LONGEST_NAME}
        onChange={(event) => onChange({ folder: event.target.value, tags: move.tags })}
        className={FIELD}
      />
      <input
        aria-label={`Tags of ${move.name}, with commas`}
        placeholder="Tags"
        value={typed ?? tagsToText(move.tags)}
        maxLength={MOST_TAGS * (LONGEST_TAG + 2)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => {
          if (typed !== null) onChange({ folder: move.folder, tags: readTags(typed) });
          setTyped(null);
        }}
        className={FIELD}
      />
    </span>
  );
}
