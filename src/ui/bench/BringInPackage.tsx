'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import type { BroughtIn } from '@/contract/templates';
import { FilePicker } from '../shared/FilePicker';
import { wordsOf } from '../shared/api';
import { Button } from '../shared/Button';

/** Brings a template in from a package that was exported here or elsewhere. */
export function BringInPackage() {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const bringIn = async (picked: File): Promise<void> => {
    setBusy(true);
    try {
      const path = `/api/packages?name=${encodeURIComponent(picked.name)}`;
      const response = await fetch(path, { method: 'POST', body: picked });
      const answer: BroughtIn & { message?: string } = await response.json();
      if (!response.ok) throw new Error(answer.message ?? 'The package was not taken in.');
      if (answer.missingFaces.length > 0) {
        toast.warning(
          `Set in faces that are not here: ${answer.missingFaces.join(', ')}. Another stands in.`,
        );
      }
      router.push(`/bench/${answer.id}`);
    } catch (error) {
      toast.error(wordsOf(error), { duration: 12_000 });
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button disabled={busy} onClick={() => file.current?.click()}>
        Bring in a package
      </Button>
      <FilePicker
        input={file}
        accept=".zip,application/zip"
        label="Package to bring in"
        onPick={(picked) => void bringIn(picked)}
      />
    </>
  );
}
