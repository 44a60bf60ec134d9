'use client';
import { useEffect, useRef, useState } from 'react';
import type { ChangeEvent, FocusEvent, KeyboardEvent } from 'react';
import type { Title } from '@/core/model/project';
import type { Field } from '@/core/model/template';
import { InputError } from '@/core/kit/inputError';
import type { Column } from '@/core/project/cells';
import { withCell } from '@/core/project/cells';
import { classes } from '../../shared/classes';
import { takesLines } from '../../shared/takesLines';
import { useApplyTitles, useCellContext, useDesk } from '../deskContext';
import { useSwapTo } from '../dialogs/useSwapTo';
import type { Grid } from './useGrid';

interface Props {
  readonly title: Title;
  readonly column: Column;
  readonly field: Field | undefined;
  readonly text: string;
  readonly label: string;
  readonly grid: Grid;
  readonly onProblem: (message: string) => void;
}

const isMod = ({ ctrlKey, metaKey }: KeyboardEvent): boolean => ctrlKey || metaKey;

/** The active cell: a list for templates and choices, else a box whose words are selected until somebody types. */
export function CellInput(props: Props) {
  const { column, field } = props;
  if (column.kind === 'template') return <TemplateCell {...props} />;
  if (field?.kind === 'choice' || field?.kind === 'switch') return <ChoiceCell {...props} field={field} />;
  if (column.kind === 'field' && field === undefined) return <NoField {...props} />;
  return <TextCell {...props} />;
}

// While it is typed into, a cell of several lines grows over the rows below.
const GROWN =
  'absolute inset-x-0 top-0 z-20 h-auto max-h-40 py-[7px] leading-[18px] shadow-md ring-2 ring-leaf field-sizing-content';
const ONE_LINE = 'overflow-hidden py-[7px] leading-[18px] whitespace-nowrap';

const BOX = 'h-8 w-full min-w-0 rounded-md bg-field px-2 outline-none';

/** Words go into the title as they are typed; a time when it is left, and a wrong one stays with what is wrong. */
function TextCell({ title, column, field, text, label, grid }: Props) {
  const apply = useApplyTitles();
  const context = useCellContext();
  const box = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  const first = useRef(text);
  const live = field !== undefined && ['text', 'rows', 'date'].includes(field.kind);
  // A box of one line would drop the breaks between lines.
  const lines = field !== undefined && takesLines(field, text);
  useFocus(box, grid);
  const write = (next: string): boolean => {
    try {
      const changed = withCell(title, column, next, context);
      if (changed !== title)
        apply((now) => now.map((one) => (one.id === title.id ? withCell(one, column, next, context) : one)));
      setWrong('');
      return true;
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      const [{ expected, got }] = error.problems;
      setWrong(`Needs ${expected}, found ${got}.`);
      return false;
    }
  };
  const commit = (): boolean => {
    if (typed === null || typed === text || live) {
      setTyped(null);
      return wrong === '' || live;
    }
    if (!write(typed)) return false;
    setTyped(null);
    return true;
  };
  const back = (): void => {
    if (live) write(first.current);
    setTyped(null);
    setWrong('');
    grid.setEditing(false);
    requestAnimationFrame(() => box.current?.select());
  };
  const breakLine = (): void => {
    const element = box.current;
    if (element === null) return;
    // Put into the box first: what is typed next comes behind it at once.
    element.setRangeText('\n', element.selectionStart, element.selectionEnd, 'end');
    grid.setEditing(true);
    write(element.value);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Enter' && event.altKey) {
      event.preventDefault();
      event.stopPropagation();
      if (lines) breakLine();
    } else if (lines && grid.editing && event.key.startsWith('Arrow')) {
      event.stopPropagation();
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      // Once takes back what was typed; once more gives the keys back to the strip.
      if (grid.editing || wrong !== '' || typed !== null) back();
      else box.current?.blur();
    } else if (
      event.key === 'F2' ||
      (event.key === 'Enter' && !grid.editing && !event.shiftKey && !isMod(event))
    ) {
      event.preventDefault();
      event.stopPropagation();
      grid.setEditing(true);
      box.current?.setSelectionRange(text.length, text.length);
    } else if (['Enter', 'Tab', 'ArrowUp', 'ArrowDown'].includes(event.key)) {
      const taken = commit();
      // A new start may move the row, so Enter stays with it; elsewhere it goes on to the row below.
      if (taken && !(event.key === 'Enter' && column.kind === 'in')) return;
      event.preventDefault();
      event.stopPropagation();
      if (!taken) return;
      grid.setEditing(false);
      requestAnimationFrame(() => box.current?.select());
    }
  };
  const shared = {
    'aria-label': label,
    'aria-invalid': wrong !== '',
    dir: live ? 'auto' : undefined,
    value: live ? text : (typed ?? text),
    onFocus: (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
      if (!grid.editing) event.target.select();
    },
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
      grid.setEditing(true);
      if (live) write(event.target.value);
      else setTyped(event.target.value);
    },
    onBlur: commit,
    onKeyDown,
  };
  const look = classes(BOX, wrong !== '' && 'bg-stop-wash');
  return (
    <span className={classes('relative block w-full min-w-0 px-0.5', lines && 'h-8')}>
      {lines ? (
        <textarea
          ref={box}
          {...shared}
          rows={1}
          className={classes(look, 'resize-none', grid.editing ? GROWN : ONE_LINE)}
        />
      ) : (
        <input ref={box} {...shared} className={look} />
      )}
      {wrong !== '' && (
        <span
          role="alert"
          className="absolute top-8 left-0 z-30 w-64 rounded-lg border border-stop bg-card p-2 font-sans text-[12px] font-normal text-stop-ink not-italic"
        >
          {wrong}
        </span>
      )}
    </span>
  );
}

function TemplateCell({ title, label, grid }: Props) {
  const { editions, newest } = useDesk();
  const swapTo = useSwapTo();
  const box = useRef<HTMLSelectElement>(null);
  useFocus(box, grid);
  return (
    <select
      ref={box}
      aria-label={label}
      value={editions.get(title.editionId)?.templateId ?? ''}
      onChange={(event) => swapTo([title.id], event.target.value)}
      onKeyDown={keepArrows}
      className={BOX}
    >
      {[...newest.values()].map((one) => (
        <option key={one.templateId} value={one.templateId}>
          {one.document.name}
        </option>
      ))}
    </select>
  );
}

function ChoiceCell({ title, column, field, text, label, grid }: Props & { readonly field: Field }) {
  const apply = useApplyTitles();
  const context = useCellContext();
  const box = useRef<HTMLSelectElement>(null);
  useFocus(box, grid);
  const choices =
    field.kind === 'switch' ? ['yes', 'no'] : (field.limits.choices ?? []).map((one) => one.label);
  return (
    <select
      ref={box}
      aria-label={label}
      value={text}
      onChange={(event) => {
        const said = event.target.value;
        apply((now) => now.map((one) => (one.id === title.id ? withCell(one, column, said, context) : one)));
      }}
      onKeyDown={keepArrows}
      className={BOX}
    >
      {choices.map((choice) => (
        <option key={choice}>{choice}</option>
      ))}
    </select>
  );
}

/** A cell for which the row's template has no field: it can be gone to, copied over, and says so. */
function NoField({ label, title, grid }: Props) {
  const { editions } = useDesk();
  const box = useRef<HTMLInputElement>(null);
  useFocus(box, grid);
  const name = editions.get(title.editionId)?.document.name ?? 'This template';
  return (
    <input
      ref={box}
      readOnly
      aria-label={label}
      title={`${name} has no field here`}
      value=""
      className={classes(BOX, 'bg-transparent')}
    />
  );
}

/** Up and down go to other rows, as everywhere in the sheet; the list opens with Space or Alt and down. */
function keepArrows(event: KeyboardEvent<HTMLSelectElement>): void {
  if (event.altKey && event.key === 'ArrowDown') event.stopPropagation();
}

function useFocus(
  box: React.RefObject<HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement | null>,
  { focused, editing }: Grid,
): void {
  useEffect(() => {
    const element = box.current;
    if (!focused || element === null) return;
    element.focus({ preventScroll: true });
    if (element instanceof HTMLSelectElement) return;
    if (editing) element.setSelectionRange(element.value.length, element.value.length);
    else element.select();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the cell becomes the active one
  }, []);
}
