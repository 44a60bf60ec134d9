'use client';
import { useMemo } from 'react';
import type { KeyboardEvent } from 'react';
import { designValue } from '@/core/document/applyValues';
import type { Title } from '@/core/document/project';
import type { Field, FieldValue, Template } from '@/core/document/template';
import { proofTitle } from '@/core/proof/proofTitle';
import { SHORTEST_FRAMES } from '@/core/timeline/stretch';
import { frameToShortTimecode, frameToTimecode } from '@/core/units/timecode';
import { classes } from '../shared/classes';
import { Pill } from '../shared/Pill';
import { useApplyTitles, useDesk, useShownValues, useTitles } from './deskContext';
import { updateTitle } from './deskStore';
import { TimeCell } from './TimeCell';

interface Props {
  readonly wanted: string;
  readonly onChoose: (titleId: string) => void;
}

/** The text fields of a template, which the sheet shows side by side. */
function textFields(template: Template | undefined): Field[] {
  return template?.fields.filter((field) => field.kind === 'text') ?? [];
}

/** The cue sheet: a row a title, typed into like a spreadsheet. */
export function CueSheet({ wanted, onChoose }: Props) {
  const { editions } = useDesk();
  const titles = useTitles();
  const documentOf = (title: Title): Template | undefined => editions.get(title.editionId)?.document;
  const wordColumns = Math.max(1, ...titles.map((title) => textFields(documentOf(title)).length));
  const shown = titles.filter(
    (title) => wanted === '' || rowWords(title, documentOf(title)).includes(wanted.toLowerCase()),
  );
  if (titles.length === 0) {
    return (
      <p className="p-6 text-soft">
        No titles yet. Move the playhead on the strip below and add one with “Title”.
      </p>
    );
  }
  return (
    <div className="min-h-0 flex-1 overflow-auto" onKeyDown={moveBetweenRows}>
      <table className="w-full border-collapse text-left">
        <thead className="sticky top-0 z-10 bg-card">
          <tr className="border-y border-line">
            {['In', 'Lasts', 'Template'].map((name) => (
              <th key={name} scope="col" className="caps px-2 py-2 font-semibold">
                {name}
              </th>
            ))}
            {Array.from({ length: wordColumns }, (_, i) => (
              <th key={i} scope="col" className="caps px-2 py-2 font-semibold">
                {i === 0 ? 'Reads' : <span className="sr-only">Reads, line {i + 1}</span>}
              </th>
            ))}
            <th scope="col" className="caps px-2 py-2 font-semibold">
              Proof
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((title, row) => (
            <CueRow key={title.id} title={title} row={row} wordColumns={wordColumns} onChoose={onChoose} />
          ))}
        </tbody>
      </table>
      {shown.length === 0 && <p className="p-6 text-soft">No title says “{wanted}”.</p>}
    </div>
  );
}

function rowWords(title: Title, document: Template | undefined): string {
  const words = textFields(document).map((field) =>
    String(title.values[field.id] ?? (document ? designValue(document, field) : '')),
  );
  return [document?.name ?? '', ...words].join(' ').toLowerCase();
}

/** Up, down and Enter go to the same column of the row above or below. */
function moveBetweenRows(event: KeyboardEvent<HTMLDivElement>): void {
  const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' || event.key === 'Enter' ? 1 : 0;
  const { target, currentTarget } = event;
  if (step === 0 || !(target instanceof HTMLInputElement)) return;
  const { row, col } = target.dataset;
  const next = currentTarget.querySelector<HTMLInputElement>(
    `input[data-row="${Number(row) + step}"][data-col="${col}"]`,
  );
  if (next === null) return;
  event.preventDefault();
  next.focus();
  next.select();
}

interface RowProps {
  readonly title: Title;
  readonly row: number;
  readonly wordColumns: number;
  readonly onChoose: (titleId: string) => void;
}

function CueRow({ title, row, wordColumns, onChoose }: RowProps) {
  const { editions, newest, rate, selected } = useDesk();
  const values = useShownValues()(title);
  const apply = useApplyTitles();
  const edition = editions.get(title.editionId);
  const document = edition?.document;
  const proof = useMemo(
    () => document && proofTitle(document, values, title.lengthFrames, rate),
    [document, values, title.lengthFrames, rate],
  );
  const chosen = selected === title.id;
  const set = (change: Partial<Title>): void => apply((now) => updateTitle(now, title.id, change));
  const fields = textFields(document);
  const templates = [...newest.values()];
  return (
    <tr
      aria-selected={chosen}
      onFocus={() => !chosen && onChoose(title.id)}
      onClick={() => !chosen && onChoose(title.id)}
      className={classes(
        'h-9 border-b border-line',
        chosen ? 'bg-leaf-wash shadow-[inset_3px_0_0_var(--leaf)]' : 'hover:bg-card',
      )}
    >
      <td className="w-[104px] px-0.5">
        <TimeCell
          label={`In, row ${row + 1}`}
          row={row}
          col="in"
          value={title.startFrame}
          show={(frame) => frameToTimecode(frame, rate)}
          rate={rate}
          least={0}
          onChange={(startFrame) => set({ startFrame })}
        />
      </td>
      <td className="w-[72px] px-0.5">
        <TimeCell
          label={`Lasts, row ${row + 1}`}
          row={row}
          col="lasts"
          value={title.lengthFrames}
          show={(frame) => frameToShortTimecode(frame, rate)}
          rate={rate}
          least={SHORTEST_FRAMES}
          onChange={(lengthFrames) => set({ lengthFrames })}
        />
      </td>
      <td className="w-[128px] px-0.5">
        <select
          aria-label={`Template, row ${row + 1}`}
          value={edition?.templateId ?? ''}
          onChange={(event) => {
            const next = newest.get(event.target.value);
            if (next !== undefined)
              set({ editionId: next.id, values: carryWords(title, document, next.document) });
          }}
          className="h-8 w-full truncate rounded-md bg-transparent px-1 hover:bg-field"
        >
          {templates.map((one) => (
            <option key={one.templateId} value={one.templateId}>
              {one.document.name}
            </option>
          ))}
        </select>
      </td>
      {Array.from({ length: wordColumns }, (_, i) => {
        const field = fields[i];
        if (field === undefined || document === undefined) return <td key={i} />;
        return (
          <td key={field.id} className="px-0.5">
            <input
              data-row={row}
              data-col={`word-${i}`}
              aria-label={`${field.label}, row ${row + 1}`}
              dir="auto"
              value={String(values[field.id] ?? designValue(document, field))}
              maxLength={field.limits.maxLength}
              onChange={(event) => set({ values: { ...title.values, [field.id]: event.target.value } })}
              className={classes(
                'h-8 w-full min-w-24 rounded-md bg-transparent px-1.5 hover:bg-field focus:bg-field',
                i === 0 ? 'font-semibold' : 'text-soft',
                title.values[field.id] === undefined && 'italic',
              )}
            />
          </td>
        );
      })}
      <td className="w-[176px] px-2">{proof && <Pill tone={proof.tone}>{proof.message}</Pill>}</td>
    </tr>
  );
}

/** The words of a title for another template: fields with the same name first, then in the order of the card. */
function carryWords(title: Title, from: Template | undefined, to: Template): Title['values'] {
  const old = textFields(from).flatMap((field) => {
    const value = title.values[field.id];
    return value === undefined ? [] : { field, value };
  });
  const values: Record<string, FieldValue> = { ...title.values };
  const free = [...old];
  for (const field of textFields(to)) {
    const same = free.findIndex((one) => one.field.label.toLowerCase() === field.label.toLowerCase());
    const [next] = free.splice(Math.max(0, same), 1);
    if (next !== undefined) values[field.id] = next.value;
  }
  return values;
}
