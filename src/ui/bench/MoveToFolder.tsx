'use client';
import { useId, useState } from 'react';
import type { FormEvent } from 'react';
import { toast } from 'sonner';
import type { FolderMove, TemplateSummary } from '@/contract/templates';
import { allFolders, folderFault, readFolder } from '@/core/model/folders';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { counted } from '../shared/counted';
import { Labelled } from '../shared/Labelled';
import { Modal } from '../shared/Modal';

type Moved = Pick<TemplateSummary, 'id' | 'name' | 'folder'>;

interface Props {
  /** What is moved; null while the dialog is closed. */
  readonly moved: readonly Moved[] | null;
  /** The folders that something is in. */
  readonly used: readonly string[];
  readonly onClose: () => void;
  readonly onMoved: () => void;
}

/** Asks which folder templates go to, puts them there, and says so with the way back. */
export function MoveToFolder({ moved, used, onClose, onMoved }: Props) {
  return (
    <Modal title={titleOf(moved ?? [])} open={moved !== null} onClose={onClose}>
      {moved !== null && <FolderForm moved={moved} used={used} onClose={onClose} onMoved={onMoved} />}
    </Modal>
  );
}

const titleOf = (moved: readonly Moved[]): string =>
  moved.length === 1 ? `Move “${moved[0].name}”` : `Move ${counted(moved.length, 'template')}`;

function FolderForm({ moved, used, onClose, onMoved }: Props & { readonly moved: readonly Moved[] }) {
  const [typed, setTyped] = useState(sharedFolder(moved));
  const list = useId();
  const note = useId();
  const folder = readFolder(typed);
  const fault = folderFault(folder);
  const isThere = moved.every((one) => one.folder === folder);
  const move = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (fault !== null || isThere) return;
    const back = moved.map(({ id, folder: before }) => ({ id, folder: before }));
    if (!(await put(moved.map(({ id }) => ({ id, folder }))))) return;
    onClose();
    onMoved();
    const what = moved.length === 1 ? `“${moved[0].name}” is` : `${counted(moved.length, 'template')} are`;
    const onClick = (): void => void put(back).then((done) => done && onMoved());
    toast(`${what} ${folder === '' ? 'in no folder now' : `in “${folder}” now`}.`, {
      duration: 10_000,
      action: { label: 'Move back', onClick },
    });
  };
  return (
    <form onSubmit={(event) => void move(event)} className="grid gap-3">
      <Labelled label="Folder">
        <input
          aria-label="Folder"
          aria-describedby={note}
          value={typed}
          list={list}
          maxLength={250}
          autoFocus
          placeholder="In no folder"
          onChange={(event) => setTyped(event.target.value)}
          className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5"
        />
        <datalist id={list}>
          {allFolders(used).map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      </Labelled>
      <p id={note} role="status" className={fault === null ? 'text-soft' : 'text-stop-ink'}>
        {fault === null
          ? 'A name that is new makes a folder. “News/Evening” is the folder Evening in News.'
          : `It can have ${fault}.`}
      </p>
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="gold" type="submit" disabled={fault !== null || isThere}>
          Move
        </Button>
      </div>
    </form>
  );
}

/** The folder that all are in; empty where they are in several. */
function sharedFolder(moved: readonly Moved[]): string {
  const [first] = moved;
  return first !== undefined && moved.every(({ folder }) => folder === first.folder) ? first.folder : '';
}

async function put(moves: readonly FolderMove[]): Promise<boolean> {
  try {
    await ask('templates/folder', { method: 'PUT', body: { moves } });
    return true;
  } catch (error) {
    toast.error(wordsOf(error), { duration: 12_000 });
    return false;
  }
}
