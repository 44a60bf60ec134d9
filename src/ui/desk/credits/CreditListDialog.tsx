'use client';
import { nanoid } from 'nanoid';
import { useDeferredValue, useMemo, useState } from 'react';
import { creditsToText, textToCredits } from '@/core/credits/creditText';
import { wordsOf } from '@/core/credits/editCredits';
import type { CreditRow } from '@/core/model/credits';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { useDesk } from '../deskContext';
import { useApplyCredits, useCreditRows, useCreditTitle } from './creditContext';
import { CREDIT_KIND_LABELS } from './creditKindLabels';

const LONGEST = 600_000;
const SHOWN = 200;

/** A list of credits as a text, beside what it is understood as, before it comes in. */
export function CreditListDialog({ onClose }: { readonly onClose: () => void }) {
  const { ui } = useDesk();
  const titleId = useCreditTitle()?.title.id;
  const before = useCreditRows();
  const apply = useApplyCredits(titleId);
  const [text, setText] = useState('');
  const late = useDeferredValue(text);
  const read = useMemo(() => textToCredits(late, before), [late, before]);
  const take = (all: boolean): void => {
    // Fresh ids: a list may come in twice.
    const rows = read.rows.map((row) => ({ ...row, id: nanoid(8) }));
    apply((credits) => ({ ...credits, rows: all ? rows : [...credits.rows, ...rows] }));
    ui.setState({ creditIds: rows.slice(0, 1).map(({ id }) => id), creditGoTo: null });
    onClose();
  };
  const count = read.rows.length;
  return (
    <Modal
      title="Read a list of credits"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">
            {read.leftOut > 0
              ? `${counted(read.leftOut, 'row')} more than credits can have are left out.`
              : ''}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          {before.length > 0 && (
            <Button
              disabled={count === 0}
              onClick={() => take(true)}
            >{`Replace all ${before.length}`}</Button>
          )}
          <Button look="gold" disabled={count === 0} onClick={() => take(false)}>
            {count === 0 ? 'Add rows' : `Add ${counted(count, 'row')}`}
          </Button>
        </>
      }
    >
      <p className="pb-2 text-soft">
        Paste from a sheet or a text. A tab, dots or a colon part a role from its name; a line above others is
        a heading.
        {before.length > 0 && (
          <button
            type="button"
            className="pl-1.5 font-semibold text-leaf-ink hover:underline"
            onClick={() => setText(creditsToText(before))}
          >
            Begin with what is here
          </button>
        )}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <textarea
          autoFocus
          aria-label="List of credits"
          dir="auto"
          value={text}
          maxLength={LONGEST}
          onChange={(event) => setText(event.target.value)}
          placeholder={'Producer\tIlse Marrow\nCamera: Teo Vance\n\nWith thanks to\nThe Ferry Wardens'}
          className="h-80 w-full resize-none rounded-lg border border-line-strong bg-field p-3 font-mono text-[12.5px] leading-5"
        />
        <Understood rows={read.rows} />
      </div>
    </Modal>
  );
}

function Understood({ rows }: { readonly rows: readonly CreditRow[] }) {
  return (
    <div
      className="h-80 overflow-y-auto rounded-lg border border-line"
      tabIndex={0}
      aria-label="Understood as"
      role="region"
    >
      <table className="w-full text-left text-[12.5px]">
        <caption className="sr-only">What the list is understood as</caption>
        <thead className="sticky top-0 bg-card">
          <tr>
            {['Is', 'Role', 'Name or words'].map((head) => (
              <th key={head} className="caps px-2 py-1.5">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, SHOWN).map((row) => (
            <tr key={row.id} className="border-t border-line align-top">
              <td className="px-2 py-1 whitespace-nowrap text-soft">{CREDIT_KIND_LABELS[row.kind]}</td>
              <td dir="auto" className="px-2 py-1 text-right">
                {wordsOf(row).role}
              </td>
              <td dir="auto" className={row.kind === 'heading' ? 'px-2 py-1 font-semibold' : 'px-2 py-1'}>
                {wordsOf(row).name}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > SHOWN && (
        <p className="p-2 text-soft">{`and ${counted(rows.length - SHOWN, 'row')} more`}</p>
      )}
      {rows.length === 0 && <p className="p-3 text-soft">What the list is understood as is seen here.</p>}
    </div>
  );
}
