'use client';
import { nanoid } from 'nanoid';
import { useRef } from 'react';
import { toast } from 'sonner';
import { freeName } from '@/core/kit/freeName';
import type { OwnMove } from '@/core/model/house';
import { LONGEST_NAME } from '@/core/model/house';
import { LONGEST_FILE, ownMoveToText, textToOwnMove } from '@/core/model/ownMove';
import type { Motion } from '@/core/model/template';
import { wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { FilePicker } from '../../shared/FilePicker';
import { KeepForm } from '../../shared/KeepForm';
import { changeHouse, useHouse } from '../../shared/useHouse';
import { saveFile } from '../../shared/saveFile';
import { useKeptMotion } from './useKeptMotion';

interface Props {
  readonly motion: Motion;
}

/** Motion kept in the House without the words that it was made on, to be used on other layers, and as files. */
export function KeepMoveRows({ motion }: Props) {
  const take = useKeptMotion();
  const { moves } = useHouse();
  const file = useRef<HTMLInputElement>(null);
  const change = async (
    next: (now: readonly OwnMove[]) => readonly OwnMove[],
    said: string,
  ): Promise<void> => {
    try {
      await changeHouse((house) => ({ ...house, moves: next(house.moves) }));
      toast.success(said);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const own = textToOwnMove(await picked.slice(0, LONGEST_FILE + 1).text(), picked.name);
      const name = freeName(own.name, new Set(moves.map((move) => move.name)), LONGEST_NAME);
      const said =
        name === own.name
          ? `“${name}” is kept in the House`
          : `“${own.name}” was taken: it is kept as “${name}”`;
      await change((now) => [...now, { ...own, name, id: nanoid(10) }], said);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  return (
    <>
      {moves.map((move) => (
        <div key={move.id} className="flex items-center gap-1 py-0.5">
          <span className="min-w-0 flex-1 truncate">{move.name}</span>
          <Button onClick={() => take(move.motion)} aria-label={`Use ${move.name}`}>
            Use
          </Button>
          <Button onClick={() => download(move)} aria-label={`Export ${move.name}`}>
            Export
          </Button>
          <Button
            aria-label={`Remove ${move.name} from the House`}
            onClick={() =>
              void change((now) => now.filter((one) => one.id !== move.id), `“${move.name}” is removed`)
            }
          >
            Remove
          </Button>
        </div>
      ))}
      <KeepForm
        label="Name of a new move"
        placeholder="Keep this motion as…"
        taken={moves.map(({ name }) => name)}
        onKeep={(name) =>
          void change((now) => [...now, { id: nanoid(10), name, motion }], `“${name}” is kept in the House`)
        }
      />
      <button
        type="button"
        className="pb-1 font-semibold text-leaf-ink"
        onClick={() => file.current?.click()}
      >
        Bring one in from a file
      </button>
      <FilePicker
        input={file}
        label="A file with a move"
        accept=".json"
        onPick={(picked) => void bringIn(picked)}
      />
    </>
  );
}

function download(move: OwnMove): void {
  const name = `${move.name.replaceAll(/[^\p{L}\p{N}]+/gu, '-')}.move.json`;
  saveFile(name, ownMoveToText(move), 'application/json');
}
