'use client';
import { useRef, useState } from 'react';
import type { ShelfEntry } from '@/contract/templates';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { classes } from '../shared/classes';
import { TitlePreview } from './TitlePreview';
import { counted } from '../shared/counted';
import { useEditionDocument, useSeen } from '../shared/documents';

interface Props {
  readonly entry: ShelfEntry;
  readonly fonts: FontLibrary | null;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

/** A template on the shelf. It plays while it is pointed at or focused. */
export function ShelfTile({ entry, fonts, chosen, onChoose }: Props) {
  const [pointed, setPointed] = useState(false);
  const [focused, setFocused] = useState(false);
  const tile = useRef<HTMLButtonElement>(null);
  const document = useEditionDocument(entry.id, useSeen(tile));
  const { inSeconds, holdSeconds, outSeconds, fieldCount } = entry;
  return (
    <button
      ref={tile}
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      onPointerEnter={() => setPointed(true)}
      onPointerLeave={() => setPointed(false)}
      onFocus={(event) => setFocused(event.currentTarget.matches(':focus-visible'))}
      onBlur={() => setFocused(false)}
      className={classes(
        'block w-full overflow-hidden rounded-[10px] border bg-card text-left',
        chosen ? 'border-leaf outline outline-leaf' : 'border-line hover:border-line-strong',
      )}
    >
      <TitlePreview
        template={document}
        formatId={entry.formats[0] ?? 'wide-1080'}
        fonts={fonts}
        widthPx={260}
        playing={pointed || focused}
      />
      <span className="flex h-1" aria-hidden="true">
        <span className="bg-in" style={{ flex: inSeconds }} />
        <span className="bg-line-strong" style={{ flex: holdSeconds }} />
        <span className="bg-out" style={{ flex: outSeconds }} />
      </span>
      <span className="block px-3 pt-2 pb-2.5">
        <span className="block truncate font-semibold">{entry.name}</span>
        <span className="text-soft">
          {counted(fieldCount, 'field')} · edition {entry.number}
        </span>
      </span>
    </button>
  );
}
