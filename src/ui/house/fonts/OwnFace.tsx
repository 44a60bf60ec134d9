'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import type { FaceFile } from '@/core/faces/faceFile';
import { placeOf } from '@/core/faces/ownFaces';
import { bytesToWords } from '@/core/kit/bytes';
import { titleFamily } from '../../picture/fontStore';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { Pill } from '../../shared/Pill';
import {
  featureWords,
  axisWords,
  limitWords,
  permissionWords,
  sampleWords,
  scriptWords,
  weightWords,
} from './fontWords';
import { ReplaceFont } from './ReplaceFont';

interface Props {
  readonly faceId: string;
  /** Of one family and slope. */
  readonly files: readonly FaceFile[];
  readonly onChanged: () => Promise<void>;
  /** Called when something was done with a file. */
  readonly onDone: () => void;
}

/** A face that the House took in: how it looks, what it has, and its files. */
export function OwnFace({ faceId, files, onChanged, onDone }: Props) {
  const [replacing, setReplacing] = useState<FaceFile | null>(null);
  const [shown] = files.toSorted((a, b) => Math.abs(a.weight - 400) - Math.abs(b.weight - 400));
  const label = shown.italic ? `${shown.family} Italic` : shown.family;
  const remove = async (file: FaceFile): Promise<void> => {
    try {
      await ask(`fonts/${file.id}`, { method: 'DELETE' });
      await onChanged();
      toast(`“${file.name}” is removed.`);
      onDone();
    } catch (error) {
      toast.error(wordsOf(error), { duration: 12_000 });
    }
  };
  const facts = [scriptWords(shown), featureWords(shown), axisWords(shown), ...limitWords(shown)].filter(
    (one) => one !== '',
  );
  return (
    <li className="min-w-0 rounded-lg border border-line bg-paper p-3">
      <div className="flex items-baseline gap-3">
        <h4 className="font-semibold">{label}</h4>
        <span className="min-w-0 truncate text-soft" title={shown.licence}>
          Licence: {shown.licence}
        </span>
      </div>
      <p
        className="truncate py-1 text-[26px] leading-tight"
        style={{ fontFamily: `"${titleFamily(faceId)}"`, fontWeight: shown.weight }}
      >
        {sampleWords(shown)}
      </p>
      <p className="text-soft">{facts.join(' · ')}</p>
      <ul className="pt-1.5">
        {files.map((file) => (
          <li key={file.id} className="flex items-center gap-3 border-t border-line py-1">
            <span className="w-44 truncate font-semibold" title={file.fileName}>
              {file.name}
            </span>
            <span className="w-20 shrink-0">{weightWords(file)}</span>
            <span className="min-w-0 flex-1 truncate text-soft" title={permissionWords(file)}>
              {[file.version, bytesToWords(file.byteCount), permissionWords(file)].join(' · ')}
            </span>
            {!file.inUse && (
              <>
                <Pill tone="quiet">not in use</Pill>
                <Button
                  aria-label={`Use ${file.name}, version ${file.version}`}
                  onClick={() => setReplacing(file)}
                >
                  Use it…
                </Button>
              </>
            )}
            <Button
              aria-label={`Remove ${file.name}, version ${file.version}`}
              onClick={() => void remove(file)}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {replacing !== null && (
        <ReplaceFont
          file={replacing}
          inUse={files.find((one) => one.inUse && placeOf(one) === placeOf(replacing)) ?? null}
          onClose={() => setReplacing(null)}
          onUsed={async () => {
            await onChanged();
            setReplacing(null);
            onDone();
          }}
        />
      )}
    </li>
  );
}
