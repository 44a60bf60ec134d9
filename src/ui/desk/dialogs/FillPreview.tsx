'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { nanoid } from 'nanoid';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Sheet } from '@/core/formats/csv/csv';
import { fillRows } from '@/core/project/fillSheet';
import { endOf } from '@/core/project/lanes';
import type { Role } from '@/core/project/sheetColumns';
import { guessRoles, likelyTemplate, unusedColumns } from '@/core/project/sheetColumns';
import { plainName } from '@/core/project/swap';
import { Button } from '../../shared/Button';
import { classes } from '../../shared/classes';
import { Modal } from '../../shared/Modal';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { useClips, useClock, useDesk, useSelect, useTemplateOf } from '../deskContext';
import type { Outcome, ReadRow } from './fillOutcome';
import { OUTCOMES, outcomeOf, sayTaken, takeLabel, toggled } from './fillOutcome';
import { GoneRows, RowOutcome } from './RowOutcome';
import { useEarlierSheet } from './earlierSheet';
import { usePicturesHere } from './usePicturesHere';
import { keepWaiting, useWaitingRows } from './waitingRows';
import { counted } from '../../shared/counted';

interface Props {
  readonly sheet: Sheet;
  readonly frame: number;
  readonly onBack: () => void;
  readonly onClose: () => void;
}

const ROLE_WORDS = {
  in: 'In',
  out: 'Out',
  lasts: 'Duration',
  lane: 'Lane',
  template: 'Template',
  title: 'Title id',
  nothing: 'not used',
} as const;

const roleKey = (role: Role): string => ('label' in role ? `${role.kind} ${role.label}` : role.kind);

/** The rows of a sheet as titles: what each column is, what each row becomes, and what is wrong with it. */
export function FillPreview({ sheet: first, frame, onBack, onClose }: Props) {
  const { newest, editions, store } = useDesk();
  const clips = useClips();
  const clock = useClock();
  const templateOf = useTemplateOf();
  const select = useSelect();
  const waiting = useWaitingRows();
  const templates = useMemo(
    () => [...newest.values()].map(({ id, document }) => ({ editionId: id, document })),
    [newest],
  );
  const labels = useMemo(() => fieldLabels(templates), [templates]);
  const [sheet, setSheet] = useState(first);
  const [fallbackId, setFallbackId] = useState(() => likelyTemplate(first, templates)?.editionId ?? '');
  const fallback = templates.find(({ editionId }) => editionId === fallbackId) ?? null;
  const [roles, setRoles] = useState<readonly Role[]>(() =>
    guessRoles(first, fallback?.document ?? null, labels),
  );
  const [shown, setShown] = useState<'all' | Outcome>('all');
  const [existing] = useState(() => store.getState().titles);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [removed, setRemoved] = useState<ReadonlySet<string>>(new Set());
  const earlier = useEarlierSheet();
  const pictures = usePicturesHere();
  const rows = useMemo(() => {
    let made = 0;
    return fillRows(sheet, roles, {
      clock,
      templates,
      fallback,
      fromFrame: frame,
      existing,
      templateOf,
      newId: () => `row-${made++}`,
      templateIdOf: (editionId) => editions.get(editionId)?.templateId,
      earlier: earlier.rows,
      pictures,
      endFrame: Math.max(0, ...clips.map(endOf)),
    }).map((row): ReadRow => ({ ...row, ...outcomeOf(row, templateOf, clock, pictures) }));
  }, [
    sheet,
    roles,
    clock,
    templates,
    fallback,
    frame,
    existing,
    templateOf,
    editions,
    earlier,
    clips,
    pictures,
  ]);
  const gone = useMemo(() => {
    const found = new Set(rows.map(({ before }) => before?.id));
    return existing.filter(({ id }) => earlier.rows.has(id) && !found.has(id));
  }, [rows, existing, earlier]);
  const taken = rows.filter(
    ({ outcome, title }) =>
      (outcome === 'new' || outcome === 'changed') && title !== null && !left.has(title.id),
  );
  const wrong = rows.filter(({ outcome }) => outcome === 'wrong');
  const bringIn = (): void => {
    const titles = taken.flatMap(({ title, before }) =>
      title === null
        ? []
        : [{ row: title.id, title: before === null ? { ...title, id: nanoid(12) } : title }],
    );
    const ids = new Map(titles.map(({ row, title }) => [row, title.id]));
    const changed = new Map(titles.map(({ title }) => [title.id, title]));
    store.getState().apply((now) => {
      const updated = now.flatMap((title) => (removed.has(title.id) ? [] : [changed.get(title.id) ?? title]));
      const present = new Set(now.map(({ id }) => id));
      return [...updated, ...titles.flatMap(({ title }) => (present.has(title.id) ? [] : [title]))];
    });
    earlier.keep(
      rows.flatMap(({ title, cells }) => {
        const id = title === null ? undefined : (ids.get(title.id) ?? title.id);
        const named = Object.fromEntries(sheet.headers.map((header, i) => [header, cells[i]]));
        return id === undefined || id.startsWith('row-') ? [] : [[id, named] as const];
      }),
      removed,
    );
    const waits = { ...sheet, rows: wrong.map(({ cells }) => cells), notes: [] };
    keepWaiting(waiting.key, wrong.length === 0 ? null : waits);
    select(...titles.slice(0, 1).map(({ title }) => title.id));
    toast.success(sayTaken(taken, removed.size, wrong.length));
    if (wrong.length === 0) onClose();
    else setSheet(waits);
  };
  const count = (outcome: Outcome): number => rows.filter((row) => row.outcome === outcome).length;
  const unused = useMemo(() => unusedColumns(sheet, roles), [sheet, roles]);
  const several = OUTCOMES.filter((outcome) => count(outcome) > 0 && count(outcome) < rows.length);
  // The last row of a kind may have been put right.
  const filter = shown !== 'all' && several.includes(shown) ? shown : 'all';
  return (
    <Modal
      title="Fill from a sheet"
      open
      onClose={onClose}
      width="widest"
      foot={
        <>
          <span className="flex-1" role="status">
            {`${counted(rows.length - wrong.length, 'row is', 'rows are')} ready`}
            {wrong.length > 0 && (
              <span className="font-semibold text-stop-ink">{`, ${wrong.length} ${wrong.length === 1 ? 'has' : 'have'} something wrong`}</span>
            )}
          </span>
          <Button onClick={onBack}>Back</Button>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={taken.length + removed.size === 0} onClick={bringIn}>
            {takeLabel(taken, removed.size)}
          </Button>
        </>
      }
    >
      <div className="flex items-center gap-3 pb-2">
        <span className="text-soft">Rows that name no template use</span>
        <span className="w-56">
          <SelectBox
            label="Template of rows without one"
            value={fallbackId}
            onChange={(id) => {
              setFallbackId(id);
              const next = templates.find(({ editionId }) => editionId === id);
              setRoles(guessRoles(sheet, next?.document ?? null, labels));
            }}
            choices={templates.map(({ editionId, document }) => ({ value: editionId, label: document.name }))}
          />
        </span>
        <span className="flex-1" />
        {several.length > 0 && (
          <Segmented
            label="Rows that are shown"
            value={filter}
            onChange={setShown}
            choices={[
              { value: 'all' as const, label: `All ${rows.length}` },
              ...several.map((outcome) => ({ value: outcome, label: `${count(outcome)} ${outcome}` })),
            ]}
          />
        )}
      </div>
      {unused.map(({ header, rows: held, example }) => (
        <p key={header} className="pb-1 text-leaf-ink">
          {`The column “${header}” is not used: it holds something in ${counted(held, 'row')}, such as “${example.slice(0, 60)}”.`}
        </p>
      ))}
      {sheet.notes.map((note) => (
        <p key={note} className="pb-1 text-leaf-ink">
          {note}
        </p>
      ))}
      <RowsTable
        sheet={sheet}
        roles={roles}
        labels={labels}
        rows={filter === 'all' ? rows : rows.filter(({ outcome }) => outcome === filter)}
        left={left}
        onLeave={(id) => setLeft(toggled(left, id))}
        onRole={(i, role) => setRoles(roles.with(i, role))}
        onCell={(row, col, text) =>
          setSheet((now) => ({ ...now, rows: now.rows.with(row, now.rows[row].with(col, text)) }))
        }
      />
      {gone.length > 0 && (
        <GoneRows titles={gone} removed={removed} onToggle={(id) => setRemoved(toggled(removed, id))} />
      )}
    </Modal>
  );
}

/** The names of all fields of all templates, each once. */
function fieldLabels(
  templates: readonly { readonly document: { readonly fields: readonly { readonly label: string }[] } }[],
): string[] {
  const seen = new Map<string, string>();
  for (const { document } of templates)
    for (const { label } of document.fields)
      if (!seen.has(plainName(label))) seen.set(plainName(label), label);
  return [...seen.values()];
}

interface TableProps {
  readonly sheet: Sheet;
  readonly roles: readonly Role[];
  readonly labels: readonly string[];
  readonly rows: readonly ReadRow[];
  /** The ids of titles that are left as they are although their rows could be taken. */
  readonly left: ReadonlySet<string>;
  readonly onLeave: (titleId: string) => void;
  readonly onRole: (column: number, role: Role) => void;
  readonly onCell: (row: number, column: number, text: string) => void;
}

const ROW_PX = 34;
// A cell this long is shown by its start; all of it goes into the title.
const MOST_SHOWN = 200;

function RowsTable({ sheet, roles, labels, rows, left, onLeave, onRole, onCell }: TableProps) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are drawn anew as the list scrolls
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 6,
  });
  // What becomes of a row stands first and stays in sight, however many columns there are.
  const columns = `340px repeat(${sheet.headers.length}, minmax(0, 1fr))`;
  // Every row is as wide as the widest of them has to be, or their columns would not line up.
  const minWidth = 340 + sheet.headers.length * 124;
  const choices = [
    ...(['in', 'out', 'lasts', 'lane', 'template', 'title'] as const).map((kind): Role => ({ kind })),
    ...labels.map((label): Role => ({ kind: 'field', label })),
    { kind: 'nothing' } as const,
  ];
  const roleOf = (key: string): Role => choices.find((role) => roleKey(role) === key) ?? { kind: 'nothing' };
  return (
    <div ref={scroller} className="h-[52dvh] overflow-auto rounded-lg border border-line">
      <div
        className="sticky top-0 z-10 grid gap-1 bg-card p-1.5"
        style={{ gridTemplateColumns: columns, minWidth }}
      >
        <span className="sticky left-0 z-10 self-stretch bg-card pl-9 font-semibold">Becomes</span>
        {sheet.headers.map((header, i) => (
          <span key={header} className="min-w-0">
            <span className="block truncate pb-1 font-semibold">{header}</span>
            <SelectBox
              label={`What “${header}” is`}
              value={roleKey(roles[i])}
              onChange={(key) => onRole(i, roleOf(key))}
              choices={[...(roles[i].kind === 'kept' ? [roles[i]] : []), ...choices].map((role) => ({
                value: roleKey(role),
                label:
                  'label' in role
                    ? role.kind === 'kept'
                      ? `Kept: ${role.label}`
                      : role.label
                    : ROLE_WORDS[role.kind],
              }))}
            />
          </span>
        ))}
      </div>
      <div className="relative" style={{ height: virtual.getTotalSize(), minWidth }}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return (
            <div
              key={row.index}
              className={classes(
                'absolute inset-x-0 grid items-center gap-1 border-t border-line px-1.5',
                row.title === null && 'bg-stop-wash',
              )}
              style={{ top: item.start, height: ROW_PX, gridTemplateColumns: columns }}
            >
              <span
                className={classes(
                  'sticky left-0 flex h-full items-center gap-2 pr-2',
                  row.title === null ? 'bg-stop-wash' : 'bg-card',
                )}
              >
                <span className="w-7 shrink-0 font-mono text-[12px] text-soft">{row.index + 1}</span>
                <RowOutcome
                  row={row}
                  taken={row.title !== null && !left.has(row.title.id)}
                  onLeave={onLeave}
                />
              </span>
              {row.cells.map((cell, i) => (
                <input
                  key={i}
                  aria-label={`${sheet.headers[i]}, row ${row.index + 1}`}
                  dir="auto"
                  value={cell.length > MOST_SHOWN ? `${cell.slice(0, MOST_SHOWN)}…` : cell}
                  readOnly={cell.length > MOST_SHOWN}
                  onChange={(event) => onCell(row.index, i, event.target.value)}
                  className="h-7 min-w-0 rounded bg-transparent px-1.5 hover:bg-field focus:bg-field"
                />
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}
