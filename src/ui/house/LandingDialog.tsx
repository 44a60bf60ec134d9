'use client';
import { useEffect, useMemo, useState } from 'react';
import type { HouseRecord } from '@/contract/house';
import type { DeskProject, ProjectSummary } from '@/contract/projects';
import type { TemplateRecord } from '@/contract/templates';
import type { House } from '@/core/model/house';
import type { HouseChange } from '@/core/model/houseChanges';
import { colourUses, faceUses, followHouse, unnamedColours } from '@/core/model/houseChanges';
import type { Template } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { everyFace } from '@/core/resolve/faces';
import { readingOf } from '@/core/proof/readingOf';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { useBackdrop } from '../picture/backdrop';
import { PictureCanvas } from '../picture/PictureCanvas';
import { useCompiled } from '../picture/useCompiled';
import { loadFontsFor, refreshFonts } from '../picture/fontStore';
import { useFonts } from '../picture/useFonts';
import { ask, RefusedError, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { Modal } from '../shared/Modal';
import { FilesLanding } from './FilesLanding';
import { LayoutReport } from './LayoutReport';
import { counted } from '../shared/counted';

interface Props {
  readonly saved: HouseRecord;
  readonly house: House;
  readonly changes: readonly HouseChange[];
  readonly templates: readonly TemplateRecord[];
  readonly onClose: () => void;
  /** What is on the server, as soon as it is known to be otherwise. */
  readonly onKnown: (record: HouseRecord, templates: readonly TemplateRecord[]) => void;
}

const MEANWHILE =
  'The House or a template was changed elsewhere meanwhile. Both are put together here; look, and make the change again.';

function whatIsThere(): Promise<[HouseRecord, readonly TemplateRecord[]]> {
  return Promise.all([ask<HouseRecord>('house'), ask<readonly TemplateRecord[]>('templates?documents')]);
}

/** Where a change of the House lands: each template before and after, and what it does to titles that are placed. */
export function LandingDialog({ saved, house, changes, templates, onClose, onKnown }: Props) {
  const touched = useMemo(
    () =>
      templates.flatMap((record) => {
        const after = followHouse(record.document, changes);
        return after === record.document ? [] : [{ record, after }];
      }),
    [templates, changes],
  );
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const wanted = touched.filter(({ record }) => !left.has(record.id));
  const make = async (): Promise<void> => {
    setBusy(true);
    setProblem('');
    try {
      for (const { record, after } of wanted)
        await ask(`templates/${record.id}`, {
          method: 'PUT',
          body: { revision: record.revision, document: after },
        });
      // Last: should a template refuse, what is left to change is still known by what the House was.
      await ask('house', { method: 'PUT', body: { revision: saved.revision, document: house } });
      // Words may be set otherwise by it, on this page and on others.
      if (changes.some(({ kind }) => kind === 'fallbacks')) void refreshFonts(true).catch(() => undefined);
      onKnown(...(await whatIsThere()));
      onClose();
    } catch (error) {
      const there = await whatIsThere().catch(() => null);
      if (there !== null) onKnown(...there);
      const stale = error instanceof RefusedError && error.status === 409;
      setProblem(stale ? MEANWHILE : wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <Modal
      title="Where it lands"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={busy} onClick={() => void make()}>
            {wanted.length === 0
              ? 'Make the change'
              : `Make the change in ${counted(wanted.length, 'template')}`}
          </Button>
        </>
      }
    >
      <Placed saved={saved.document} house={house} changes={changes} />
      {touched.length > 0 && (
        <p className="pb-2 text-soft">
          Templates change on the bench; titles follow when the designer publishes the next edition.
        </p>
      )}
      <ul className="grid gap-4">
        {touched.map(({ record, after }) => (
          <li key={record.id}>
            <label className="flex items-center gap-2 pb-1.5">
              <input
                type="checkbox"
                checked={!left.has(record.id)}
                onChange={() =>
                  setLeft((now) => {
                    const next = new Set(now);
                    if (!next.delete(record.id)) next.add(record.id);
                    return next;
                  })
                }
              />
              <span className="font-serif font-semibold">{record.document.name}</span>
            </label>
            <p className="pb-1.5 text-soft">{placesIn(record.document, changes)}</p>
            {changes.some(({ kind }) => kind === 'face') && (
              <LayoutReport before={record.document} after={after} />
            )}
            {changes.some((change) => looksOtherwise(record.document, change)) && (
              <div className="grid grid-cols-2 gap-3">
                <Shot template={record.document} label="Before" />
                <Shot template={after} label="After" />
              </div>
            )}
          </li>
        ))}
      </ul>
      {problem !== '' && (
        <p role="alert" className="pt-3 text-stop-ink">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** What becomes of a template, in words: each colour and font, and in how many places. */
function placesIn(template: Template, changes: readonly HouseChange[]): string {
  const unnamed = unnamedColours(template);
  const parts = changes.flatMap((change) => {
    if (change.kind === 'named') {
      const places = unnamed.get(change.figure) ?? 0;
      return places === 0
        ? []
        : [`${counted(places, 'place')} named ${change.name}, nothing looks otherwise`];
    }
    if (change.kind === 'gone') {
      const places = colourUses(template, change.id);
      return places === 0
        ? []
        : [`${counted(places, 'place')} of ${change.name} without a name, nothing looks otherwise`];
    }
    const places = placesThatFollow(template, change);
    return places > 0 && 'name' in change ? [`${change.name} in ${counted(places, 'place')}`] : [];
  });
  return parts.join('; ');
}

function placesThatFollow(template: Template, change: HouseChange): number {
  if (change.kind === 'colour') return colourUses(template, change.id);
  return change.kind === 'face' ? faceUses(template, change.from) : 0;
}

const looksOtherwise = (template: Template, change: HouseChange): boolean =>
  placesThatFollow(template, change) > 0;

interface Landing {
  readonly name: string;
  readonly titles: number;
  readonly shortBefore: number;
  readonly shortAfter: number;
}

/** What the change does to titles that are placed: counted for reading, told for what every proof measures anew. */
function Placed({ saved, house, changes }: Pick<Props, 'house' | 'changes'> & { readonly saved: House }) {
  const kinds = new Set(changes.map(({ kind }) => kind));
  const counted = kinds.has('reading');
  const proofed = kinds.has('checks') || kinds.has('areas');
  const captioned = kinds.has('captions');
  const [landings, setLandings] = useState<readonly Landing[] | null>(null);
  useEffect(() => {
    if (!counted && !proofed) return;
    let current = true;
    void countTitles(saved, house).then((found) => current && setLandings(found));
    return () => {
      current = false;
    };
  }, [counted, proofed, saved, house]);
  return (
    <div className="pb-3">
      {kinds.has('timing') && (
        <p>Titles that are placed from now on fade so; those that are placed keep their fades.</p>
      )}
      {kinds.has('names') && <p>Names and entries change; nothing that is made looks otherwise.</p>}
      {kinds.has('filesDays') && <FilesLanding days={house.filesDays} />}
      {kinds.has('areas') && <p>New templates start with the areas.</p>}
      {kinds.has('language') && (
        <p>
          Words are set in capitals, broken and spelt by the new language, unless a field, a delivery or a
          project says one.
        </p>
      )}
      {kinds.has('fallbacks') && (
        <p>
          Letters that a text’s own font lacks come from the fonts that are named for their script, wherever
          they are shown, proofed or rendered from now on. Files that are made stay as they are.
        </p>
      )}
      {kinds.has('credits') && <p>The credits of every project are proofed by the new figures.</p>}
      {captioned && <p>The captions of every project are proofed by the new figures.</p>}
      {(counted || proofed) && landings === null && <p role="status">Counting titles…</p>}
      {landings?.map(({ name, titles, shortBefore, shortAfter }) => (
        <p key={name}>
          <span className="font-semibold">{name}</span>
          {counted && `: ${shortAfter} of ${titles} titles are too short to read, ${shortBefore} until now`}
          {proofed && `: ${titles} titles are proofed again when its desk is open`}
        </p>
      ))}
    </div>
  );
}

async function countTitles(before: House, after: House): Promise<Landing[]> {
  const projects = await ask<ProjectSummary[]>('projects');
  return Promise.all(
    projects.map(async ({ id, name }) => {
      const { titles, editions, settings } = await ask<DeskProject>(`projects/${id}`);
      const rate = RATES.get(settings.rate);
      const documents = new Map(editions.map((edition) => [edition.id, edition.document]));
      const fonts = await loadFontsFor([...documents.values()].flatMap(everyFace));
      const short = ({ reading }: House): number =>
        titles.filter(({ editionId, values, lengthFrames }) => {
          const document = documents.get(editionId);
          if (document === undefined) return false;
          const asked = { values, lengthFrames, rate, rules: reading };
          const { reads, readable } = readingOf(document, asked, fonts);
          return reads > readable + 0.05;
        }).length;
      return { name, titles: titles.length, shortBefore: short(before), shortAfter: short(after) };
    }),
  );
}

const NO_VALUES = {};
const WIDTH_PX = 330;

function Shot({ template, label }: { readonly template: Template; readonly label: string }) {
  const fonts = useFonts();
  const format = useMemo(() => previewFormat(FORMATS.get(template.formats[0]), WIDTH_PX), [template.formats]);
  const { title } = useCompiled(template, NO_VALUES, format, fonts);
  const backdrop = useBackdrop(template.backdrop);
  const lists = useMemo(() => {
    if (title === null) return [];
    const rate = RATES.get(template.rate);
    const timing = stretchTiming(template.timing, designFrames(template.timing, rate), rate);
    return [title.frame((timing.inSeconds + timing.outStartSeconds) / 2, timing)];
  }, [title, template]);
  return (
    <figure className="rounded-lg bg-well p-1.5">
      <PictureCanvas
        format={format}
        backdrop={backdrop}
        backdropSeconds={1}
        lists={lists}
        label={`${template.name}, ${label.toLowerCase()}`}
        className="block max-w-full"
      />
      <figcaption className="px-1 pt-1 text-[12px] text-[#c9c4b8]">{label}</figcaption>
    </figure>
  );
}
