'use client';
import { useCallback, useEffect, useState } from 'react';
import type { FaceFile } from '@/core/faces/faceFile';
import { onFonts, refreshFonts } from '../../picture/fontStore';
import { ask } from '../../shared/api';

interface OwnFonts {
  /** null until they are read. */
  readonly files: readonly FaceFile[] | null;
  readonly failed: boolean;
  /** Reads them again, and has every page do so. */
  changed(): Promise<void>;
  /** Reads them again. */
  read(): Promise<void>;
}

/** The font files that the House took in. */
export function useOwnFonts(): OwnFonts {
  const [files, setFiles] = useState<readonly FaceFile[] | null>(null);
  const [failed, setFailed] = useState(false);
  const read = useCallback(
    () =>
      ask<readonly FaceFile[]>('fonts').then(
        (list) => {
          setFiles(list);
          setFailed(false);
        },
        () => setFailed(true),
      ),
    [],
  );
  useEffect(() => {
    void read();
    return onFonts(() => void read());
  }, [read]);
  const changed = async (): Promise<void> => {
    await read();
    await refreshFonts(true).catch(() => undefined);
  };
  return { files, failed, changed, read };
}
