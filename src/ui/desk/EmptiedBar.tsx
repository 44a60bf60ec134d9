'use client';
import { useState } from 'react';
import type { EmptiedWords } from '@/contract/projects';
import { Button } from '../shared/Button';
import { ask } from '../shared/api';
import { counted } from '../shared/counted';
import { Modal } from '../shared/Modal';
import { numbersOf, useApplyTitles, useDesk, useTitles } from './deskContext';

/**
 * Says, once, which sample words of templates stood on titles although nobody had typed them: they are empty now, and
 * can be typed after all.
 */
export function EmptiedBar({ emptied }: { readonly emptied: readonly EmptiedWords[] }) {
  const { projectId } = useDesk();
  const titles = useTitles();
  const apply = useApplyTitles();
  const [seen, setSeen] = useState(false);
  const [open, setOpen] = useState(false);
  const here = emptied.filter(({ titleId }) => titles.some(({ id }) => id === titleId));
  if (seen || here.length === 0) return null;
  const numbers = numbersOf(titles);
  const end = (): void => {
    setOpen(false);
    setSeen(true);
    void ask(`projects/${projectId}/emptied`, { method: 'DELETE' }).catch(() => undefined);
  };
  const type = (): void => {
    apply((now) =>
      now.map((title) => {
        const words = here.filter(({ titleId }) => titleId === title.id);
        const typed = Object.fromEntries(words.map((one) => [one.fieldId, one.words]));
        return words.length === 0 ? title : { ...title, values: { ...typed, ...title.values } };
      }),
    );
    end();
  };
  const count = new Set(here.map(({ titleId }) => titleId)).size;
  return (
    <div role="status" className="flex items-center gap-3 border-b border-line bg-leaf-wash px-4 py-2">
      <p className="min-w-0 flex-1 text-leaf-ink">
        {`${counted(count, 'title')} showed sample words of a template that nobody had typed. They are empty now.`}
      </p>
      <Button onClick={() => setOpen(true)}>Show them</Button>
      <Modal
        title="Sample words that nobody typed"
        open={open}
        onClose={() => setOpen(false)}
        foot={
          <>
            <Button onClick={type}>Type them on these titles</Button>
            <Button look="gold" onClick={end}>
              Leave them empty
            </Button>
          </>
        }
      >
        <p className="pb-2 text-soft">
          The words of a design are a sample and never go to air. On these titles they did.
        </p>
        <ul className="border-t border-line">
          {here.map(({ titleId, fieldId, label, words }) => (
            <li key={`${titleId} ${fieldId}`} className="flex gap-3 border-b border-line py-1.5">
              <span className="w-16 shrink-0 text-soft">{`Title ${numbers.get(titleId) ?? ''}`}</span>
              <span className="w-28 shrink-0 truncate">{label}</span>
              <span dir="auto" className="min-w-0 flex-1 truncate">
                {words}
              </span>
            </li>
          ))}
        </ul>
      </Modal>
    </div>
  );
}
