'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Button } from '../../shared/Button';
import { useTracks } from '../captions/captionContext';
import { useTitles } from '../deskContext';

const SendDialog = dynamic(() => import('./SendDialog').then((module) => module.SendDialog), { ssr: false });

interface Props {
  /** Saves what the server does not have yet. */
  readonly flush: () => Promise<void>;
}

/** The way to the press; nothing of it follows the proof until it is opened. */
export function SendToPress({ flush }: Props) {
  const titles = useTitles();
  const hasCaptions = useTracks().length > 0;
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button look="gold" disabled={titles.length === 0 && !hasCaptions} onClick={() => setOpen(true)}>
        Send to Press
      </Button>
      {open && <SendDialog flush={flush} onClose={() => setOpen(false)} />}
    </>
  );
}
