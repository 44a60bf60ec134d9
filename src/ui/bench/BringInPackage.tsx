'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import type { BroughtIn } from '@/contract/templates';
import { FilePicker } from '../shared/FilePicker';
import { sayRefused } from '../shared/assets';
import { Button } from '../shared/Button';
import { sendFile } from '../shared/uploads';

/** Brings a template in from a package that was exported here or elsewhere. */
export function BringInPackage() {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const bringIn = async (picked: File): Promise<void> => {
    setBusy(true);
    try {
      const answer = await sendFile<BroughtIn>('package', picked);
      if (answer.missingFaces.length > 0) {
        toast.warning(
          `Set in fonts that are not here: ${answer.missingFaces.join(', ')}. Another stands in.`,
        );
      }
      if (answer.notes.length > 0) toast(answer.notes.join(' '), { duration: 12_000 });
      router.push(`/bench/${answer.id}`);
    } catch (error) {
      sayRefused(error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button disabled={busy} onClick={() => file.current?.click()}>
        Import a package
      </Button>
      <FilePicker
        input={file}
        accept=".zip,application/zip"
        label="Package to import"
        onPick={(picked) => void bringIn(picked)}
      />
    </>
  );
}
