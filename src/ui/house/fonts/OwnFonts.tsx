'use client';
import { ArrowUpTrayIcon } from '@heroicons/react/24/outline';
import { useEffect, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { FaceFile } from '@/core/faces/faceFile';
import { ownFaceId } from '@/core/faces/ownFaces';
import { bringInFonts } from '../../picture/bringInFonts';
import { Button } from '../../shared/Button';
import { classes } from '../../shared/classes';
import { OwnFace } from './OwnFace';
import { useOwnFonts } from './useOwnFonts';

/** The House's own fonts: brought in as files, each family with what its files say of themselves. */
export function OwnFonts() {
  const { files, failed, changed, read } = useOwnFonts();
  const heading = useRef<HTMLHeadingElement>(null);
  const [done, setDone] = useState(0);
  // Once the dialog is off the page, which keeps the focus to itself: the button that was pressed is gone by then.
  useEffect(() => {
    if (done === 0) return;
    const frame = requestAnimationFrame(() => heading.current?.focus());
    return () => cancelAnimationFrame(frame);
  }, [done]);
  const [busy, setBusy] = useState(false);
  const take = async (picked: readonly File[]): Promise<void> => {
    if (picked.length === 0) return;
    setBusy(true);
    await bringInFonts(picked);
    // One that waits beside the one in use changes nothing that words are set in.
    await read();
    setBusy(false);
  };
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: (picked) => void take(picked),
    noClick: true,
    noKeyboard: true,
  });
  return (
    <section
      aria-labelledby="own-fonts"
      {...getRootProps({
        className: classes(
          'mt-7 rounded-xl border border-dashed p-4',
          isDragActive ? 'border-leaf bg-leaf-wash' : 'border-line-strong',
        ),
      })}
    >
      <input {...getInputProps({ 'aria-label': 'Font files' })} />
      <div className="flex items-start gap-4 pb-2">
        <div className="min-w-0 flex-1">
          <h3 id="own-fonts" ref={heading} tabIndex={-1} className="font-serif text-[15px] font-semibold">
            Your own fonts
          </h3>
          <p className="text-soft">
            Drop TTF, OTF, WOFF, WOFF2 or collections here. Each is read to the end before it counts; bench,
            desk, proof and Press set words in it from then on.
          </p>
        </div>
        <Button disabled={busy} onClick={open}>
          <ArrowUpTrayIcon className="h-4 w-4" /> Import fonts…
        </Button>
      </div>
      <p role="status" className={busy ? 'pb-2 text-soft' : 'sr-only'}>
        {busy ? 'Reading fonts.' : ''}
      </p>
      {failed && (
        <p role="alert" className="flex items-center gap-3 text-stop-ink">
          The fonts could not be read. <Button onClick={() => void read()}>Try again</Button>
        </p>
      )}
      {files?.length === 0 && <p className="text-soft">There is none yet.</p>}
      <ul className="grid grid-cols-1 gap-3">
        {byFace(files ?? []).map(([id, group]) => (
          <OwnFace
            key={id}
            faceId={id}
            files={group}
            onChanged={changed}
            onDone={() => setDone((times) => times + 1)}
          />
        ))}
      </ul>
    </section>
  );
}

/** Files by the face that they belong to, in the order of their names; lighter ones first. */
function byFace(files: readonly FaceFile[]): [string, readonly FaceFile[]][] {
  const faces = new Map<string, FaceFile[]>();
  for (const file of files) faces.set(ownFaceId(file), [...(faces.get(ownFaceId(file)) ?? []), file]);
  return [...faces]
    .map(([id, group]): [string, readonly FaceFile[]] => [
      id,
      group.toSorted((a, b) => a.weight - b.weight || Number(b.inUse) - Number(a.inUse)),
    ])
    .toSorted(([a], [b]) => a.localeCompare(b, 'en'));
}
