'use client';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { decodeSheet, readSheet, writeCsv } from '@/core/formats/csv/csv';
import type { Sheet } from '@/core/formats/csv/csv';
import { sheetKind } from '@/core/formats/sheets/sheetKind';
import { InputError } from '@/core/kit/inputError';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { exampleSheet } from '@/core/project/exampleSheet';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { saveFile } from '../../shared/saveFile';
import { useClock, useDesk } from '../deskContext';
import { FillPreview } from './FillPreview';
import type { WorkbookPage } from './readWorkbook';
import { readWorkbook } from './readWorkbook';
import { keepWaiting, useWaitingRows } from './waitingRows';

interface Props {
  readonly frame: number;
  readonly onClose: () => void;
}

interface ReadState {
  readonly sheet: Sheet | null;
  readonly problem: string;
}

/** Fill from a sheet: pasted or dropped, its columns matched to fields, its rows shown with what is wrong with them. */
export function FillDialog({ frame, onClose }: Props) {
  const [read, setRead] = useState<ReadState>({ sheet: null, problem: '' });
  const [pasted, setPasted] = useState('');
  const [pages, setPages] = useState<readonly WorkbookPage[]>([]);
  const waiting = useWaitingRows();
  const { isShelfHere } = useDesk();
  const attempt = async (work: () => Promise<Sheet | null>): Promise<void> => {
    try {
      const sheet = await work();
      if (sheet?.rows.length === 0)
        throw InputError.of('Sheet', 'at least one row under the names of the columns', 'none');
      setRead({ sheet, problem: '' });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setRead({ sheet: null, problem: error.message });
    }
  };
  const takeText = (text: string): Promise<void> => {
    const bytes = new TextEncoder().encode(text);
    return attempt(async () => (sheetKind(bytes) === 'text' ? readSheet(text) : null));
  };
  const takeFile = ([file]: readonly File[]): Promise<void> =>
    attempt(async () => {
      if (file === undefined) return null;
      const bytes = new Uint8Array(await file.arrayBuffer());
      if (sheetKind(bytes) === 'workbook') {
        const found = await readWorkbook(bytes);
        setPages(found);
        return found.length === 1 ? found[0].sheet : null;
      }
      const { text, notes } = decodeSheet(bytes);
      const sheet = readSheet(text);
      return { ...sheet, notes: [...notes, ...sheet.notes] };
    });
  // What the columns are and which template the rows use is guessed from all of the shelf.
  if (read.sheet !== null && isShelfHere)
    return (
      <FillPreview
        sheet={read.sheet}
        frame={frame}
        onBack={() => setRead({ sheet: null, problem: '' })}
        onClose={onClose}
      />
    );
  return (
    <Modal
      title="Fill from a sheet"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={pasted.trim() === ''} onClick={() => void takeText(pasted)}>
            Look at the rows
          </Button>
        </>
      }
    >
      <Drop onFiles={(files) => void takeFile(files)} />
      {pages.length > 1 && (
        <p className="flex flex-wrap items-center gap-2 pt-3">
          This spreadsheet has several pages. Which one?
          {pages.map(({ name, sheet }) => (
            <Button key={name} onClick={() => setRead({ sheet, problem: '' })}>
              {`${name}, ${counted(sheet.rows.length, 'row')}`}
            </Button>
          ))}
        </p>
      )}
      <div className="flex items-end gap-4 pt-3 pb-1.5">
        <p className="min-w-0 flex-1 text-soft">
          Or paste cells from a spreadsheet. The first row names the columns: In, Duration or Out, Template,
          and the fields by their names.
        </p>
        <ExampleSheet frame={frame} />
      </div>
      <textarea
        aria-label="Cells"
        autoFocus
        rows={8}
        value={pasted}
        onChange={(event) => setPasted(event.target.value)}
        placeholder={'In\tName\tRole\n00:00:12:00\tIlse Marrow\tLockkeeper'}
        className="w-full rounded-lg border border-line-strong bg-field p-2.5 font-mono text-[12.5px]"
      />
      {read.sheet !== null && (
        <p role="status" className="pt-2 text-soft">
          Reading the shelf, then the rows are shown.
        </p>
      )}
      {read.problem !== '' && (
        <p role="alert" className="pt-2 whitespace-pre-line text-stop-ink">
          {read.problem}
        </p>
      )}
      {waiting.sheet !== null && (
        <p className="flex items-center gap-2 pt-3">
          {waiting.sheet.rows.length === 1
            ? 'One row of the last sheet waits to be corrected.'
            : `${waiting.sheet.rows.length} rows of the last sheet wait to be corrected.`}
          <Button onClick={() => setRead({ sheet: waiting.sheet, problem: '' })}>Correct them</Button>
          <Button onClick={() => keepWaiting(waiting.key, null)}>Forget them</Button>
        </p>
      )}
    </Modal>
  );
}

const MOST_EXAMPLES = 3;
const OTHER_SHEETS = ['caption', 'credits'];
const ranked = TEMPLATE_KINDS.list.map(({ id }) => id);

/** Saves a sheet to begin from: of the templates that the project uses, else of some on the shelf. */
function ExampleSheet({ frame }: { readonly frame: number }) {
  const { editions, newest, settings, store } = useDesk();
  const clock = useClock();
  const save = (): void => {
    const used = store.getState().titles.map(({ editionId }) => editions.get(editionId));
    const shelf = [...newest.values()].toSorted(
      (a, b) => ranked.indexOf(a.document.kind) - ranked.indexOf(b.document.kind),
    );
    const byTemplate = new Map(
      [...used, ...shelf].flatMap((one) => (one ? [[one.templateId, one.document]] : [])),
    );
    const templates = [...byTemplate.values()].filter(
      ({ kind, fields }) => fields.length > 0 && !OTHER_SHEETS.includes(kind),
    );
    const { headers, rows } = exampleSheet(templates.slice(0, MOST_EXAMPLES), frame, clock);
    saveFile(`${settings.name}, example sheet.csv`, writeCsv(headers, rows), 'text/csv');
  };
  return (
    <Button disabled={newest.size === 0} onClick={save}>
      Save an example sheet
    </Button>
  );
}

function Drop({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }) {
  const { getRootProps, getInputProps, isDragActive } = useDropzone({ onDrop: onFiles, multiple: false });
  return (
    <div
      {...getRootProps({
        className: `cursor-pointer rounded-lg border border-dashed px-4 py-6 text-center ${isDragActive ? 'border-leaf bg-leaf-wash' : 'border-line-strong bg-field'}`,
      })}
    >
      <input {...getInputProps({ 'aria-label': 'Sheet file' })} />
      Drop a spreadsheet here (.xlsx, .ods, .csv, .tsv), or click to pick one.
    </div>
  );
}
