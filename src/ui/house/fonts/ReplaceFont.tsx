'use client';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { FontUses } from '@/contract/fonts';
import type { TemplateRecord } from '@/contract/templates';
import type { FaceFile } from '@/core/faces/faceFile';
import { ownFaceId } from '@/core/faces/ownFaces';
import type { Template } from '@/core/model/template';
import { everyFace } from '@/core/resolve/faces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { titleFamily, trialFonts } from '../../picture/fontStore';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { Modal } from '../../shared/Modal';
import { LayoutReport } from '../LayoutReport';
import { sampleWords } from './fontWords';

interface Props {
  readonly file: FaceFile;
  /** The file in use that it would take the place of; null where there is none. */
  readonly inUse: FaceFile | null;
  readonly onClose: () => void;
  /** Called once it is in use. */
  readonly onUsed: () => Promise<void>;
}

/** Shows where another version of a font lands before it is put in use. */
export function ReplaceFont({ file, inUse, onClose, onUsed }: Props) {
  const [uses, setUses] = useState<readonly string[] | null>(null);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const trial = useTrialFamily(file.id);
  const set = useSetInIt(file, inUse);
  useEffect(() => {
    ask<FontUses>(`fonts/${file.id}/uses`).then(
      ({ names }) => setUses(names),
      (error: unknown) => setProblem(wordsOf(error)),
    );
  }, [file.id]);
  const use = async (): Promise<void> => {
    setBusy(true);
    try {
      await ask(`fonts/${file.id}`, { method: 'PUT' });
      toast(`“${file.name}”, version ${file.version}, is in use.`);
      await onUsed();
    } catch (error) {
      setProblem(wordsOf(error));
      setBusy(false);
    }
  };
  const weight = file.weight;
  return (
    <Modal
      title={`Use ${file.name}, version ${file.version}?`}
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={busy || uses === null} onClick={() => void use()}>
            Use this version
          </Button>
        </>
      }
    >
      <dl className="grid grid-cols-[4rem_1fr] items-baseline gap-y-1 pb-3">
        <dt className="text-soft">Now</dt>
        <dd
          className="truncate text-[24px]"
          style={{ fontFamily: `"${titleFamily(ownFaceId(file))}"`, fontWeight: weight }}
        >
          {sampleWords(file)}
        </dd>
        <dt className="text-soft">Then</dt>
        <dd className="truncate text-[24px]" style={{ fontFamily: `"${trial}"`, fontWeight: weight }}>
          {sampleWords(file)}
        </dd>
      </dl>
      {uses === null && problem === '' && <p role="status">Looking for what is set in it.</p>}
      {uses?.length === 0 && <p>Nothing is set in it.</p>}
      {uses !== null && uses.length > 0 && (
        <>
          <p>
            Words in these may run wider or narrower, published editions and placed titles too. What is queued
            at the Press is rendered as it was ordered.
          </p>
          <ul className="list-disc pt-1 pl-5">
            {uses.map((name) => (
              <li key={name}>{name}</li>
            ))}
          </ul>
          {set?.templates.map((template) => (
            <section key={template.name} className="pt-3">
              <h3 className="pb-0.5 font-serif font-semibold">{template.name}</h3>
              <LayoutReport before={template} after={template} fonts={set.fonts} />
            </section>
          ))}
        </>
      )}
      {problem !== '' && (
        <p role="alert" className="pt-2 text-stop-ink">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** The templates on the bench that are set in what a file would take the place of, and the fonts as they then would be. */
interface SetInIt {
  readonly templates: readonly Template[];
  readonly fonts: Promise<FontLibrary>;
}

/** null until it is known, and where nothing is replaced. */
function useSetInIt(file: FaceFile, inUse: FaceFile | null): SetInIt | null {
  const [set, setSet] = useState<SetInIt | null>(null);
  useEffect(() => {
    if (inUse === null) return;
    let current = true;
    ask<readonly TemplateRecord[]>('templates?documents').then(
      (records) => {
        const documents = records.map(({ document }) => document);
        const templates = documents.filter((one) => everyFace(one).includes(ownFaceId(file)));
        const fonts = trialFonts(templates.flatMap(everyFace), inUse.id, file.id);
        // Each report says that a font did not come.
        fonts.catch(() => undefined);
        if (current) setSet({ templates, fonts });
      },
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [file, inUse]);
  return set;
}

/** A CSS family of a font that is not in use, for as long as it is looked at. */
function useTrialFamily(id: string): string {
  const family = `trial-${id.slice(0, 12)}`;
  useEffect(() => {
    const face = new FontFace(family, `url("/api/fonts/${id}")`);
    document.fonts.add(face);
    return () => void document.fonts.delete(face);
  }, [family, id]);
  return family;
}
