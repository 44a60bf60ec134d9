'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { fileToCues, proposedOrigin } from '@/core/captions/cueFiles';
import { plainWords } from '@/core/formats/captions/cueMarks';
import type { CaptionFile, CaptionFormat } from '@/core/formats/captions/captionFile';
import { TEXT_ENCODINGS } from '@/core/formats/captions/decodeText';
import { readCaptions } from '@/core/formats/captions/readCaptions';
import { isLanguageTag } from '@/core/faces/language';
import { InputError } from '@/core/kit/inputError';
import type { CaptionTrack, Cue } from '@/core/model/captions';
import { MOST_CUES, MOST_TRACKS } from '@/core/model/captions';
import { frameToTimecode, lengthToTimecode } from '@/core/time/clock';
import { frameToSeconds, RATES } from '@/core/time/rates';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { LanguageBox } from '../../shared/LanguageBox';
import { Modal } from '../../shared/Modal';
import { SelectBox } from '../../shared/SelectBox';
import { Labelled } from '../../shared/Labelled';
import { useApplyWork, useClock, useDesk } from '../deskContext';
import { useTrack, useTracks } from './captionContext';

interface Picked {
  readonly name: string;
  readonly bytes: Uint8Array;
}

type Read = CaptionFile & { readonly format: CaptionFormat };

const LARGEST_BYTES = 16 * 1024 * 1024;
const MOST_SHOWN = 8;

/** Captions from a file: what was read and what was not, how its times are taken, and where they go. */
export function ReadCaptionsDialog({ onClose }: { readonly onClose: () => void }) {
  const { ui, rate, store } = useDesk();
  const clock = useClock();
  const tracks = useTracks();
  const track = useTrack();
  const apply = useApplyWork();
  const [picked, setPicked] = useState<Picked | null>(null);
  const [encoding, setEncoding] = useState('');
  const [origin, setOrigin] = useState<'file' | 'project' | null>(null);
  const [madeFor, setMadeFor] = useState('');
  const [into, setInto] = useState<string | null>(null);
  const [language, setLanguage] = useState<string | undefined>(undefined);
  const [problem, setProblem] = useState('');
  const read = useMemo(() => readPicked(picked, encoding, clock), [picked, encoding, clock]);
  const file = read.file;
  const proposed = file === null ? 0 : proposedOrigin(file.cues, clock);
  const fromProject = (origin ?? (proposed > 0 ? 'project' : 'file')) === 'project';
  const originSeconds = fromProject ? frameToSeconds(clock.startFrame, rate) : 0;
  const cues = useMemo(
    () =>
      file === null
        ? []
        : fileToCues(
            file.cues,
            { trackId: '', rate, newId: () => nanoid(12) },
            { originSeconds, madeFor: madeFor === '' ? null : RATES.get(madeFor) },
          ),
    [file, rate, originSeconds, madeFor],
  );
  const target = into ?? 'new';
  const said = file !== null && isLanguageTag(file.language) ? file.language : undefined;
  const spoken = language ?? said ?? track?.language;
  const take = async ([first]: readonly File[]): Promise<void> => {
    if (first === undefined) return;
    setProblem('');
    setOrigin(null);
    setEncoding('');
    setMadeFor('');
    if (first.size > LARGEST_BYTES) {
      setProblem(`“${first.name}” is larger than 16 MB, so it is not a caption file.`);
      return;
    }
    setPicked({ name: first.name, bytes: new Uint8Array(await first.arrayBuffer()) });
  };
  const bringIn = (): void => {
    const others = store.getState().cues.length;
    if (others + cues.length > MOST_CUES) {
      setProblem(`A project has at most ${MOST_CUES} captions; there are ${others} already.`);
      return;
    }
    const id = target === 'new' ? nanoid(8) : target;
    apply((work) =>
      takenIn(
        work,
        cues,
        {
          id,
          name: nameFor(picked?.name ?? '', tracks),
          language: spoken ?? 'und',
          editionId: track?.editionId ?? null,
        },
        target === 'new',
      ),
    );
    ui.setState({
      sheet: 'captions',
      trackId: id,
      cueIds: cues.slice(0, 1).map((cue) => cue.id),
      dialog: null,
    });
  };
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    multiple: false,
  });
  const isText = file !== null && file.format.id !== 'stl';
  return (
    <Modal
      title="Captions from a file"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">
            {target !== 'new' ? 'They take the place of the captions of that track.' : ''}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={cues.length === 0} onClick={bringIn}>
            {cues.length === 0 ? 'Import' : `Import ${counted(cues.length, 'caption')}`}
          </Button>
        </>
      }
    >
      <div
        {...getRootProps({
          className: `cursor-pointer rounded-lg border border-dashed px-4 py-5 text-center ${isDragActive ? 'border-leaf bg-leaf-wash' : 'border-line-strong bg-field'}`,
        })}
      >
        <input {...getInputProps({ 'aria-label': 'Caption file' })} />
        Drop a SubRip, WebVTT, TTML, EBU STL or CSV file here, or click to pick one.
      </div>
      {(problem !== '' || read.problem !== '') && (
        <p role="alert" className="mt-3 whitespace-pre-line text-stop-ink">
          {problem || read.problem} Nothing was changed.
        </p>
      )}
      {file !== null && (
        <>
          <Told file={file} cues={cues} />
          <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-2">
            <Labelled label="Goes into">
              <SelectBox
                label="Goes into"
                value={target}
                onChange={setInto}
                choices={[
                  ...(tracks.length < MOST_TRACKS ? [{ value: 'new', label: 'A new track' }] : []),
                  ...tracks.map(({ id, name }) => ({ value: id, label: `In place of “${name}”` })),
                ]}
              />
            </Labelled>
            {target === 'new' && (
              <Labelled label="Language">
                <LanguageBox
                  label="Language of the captions"
                  value={spoken}
                  otherwise="Not said"
                  onChange={(next = 'und') => setLanguage(next)}
                />
              </Labelled>
            )}
            {clock.startFrame > 0 && (
              <Labelled label="Counts from">
                <SelectBox
                  label="Times count from"
                  value={fromProject ? 'project' : 'file'}
                  onChange={setOrigin}
                  choices={[
                    { value: 'file', label: 'Nothing: 0 is the first frame' },
                    { value: 'project', label: `${frameToTimecode(0, clock)}, where the project starts` },
                  ]}
                />
              </Labelled>
            )}
            <Labelled label="Timed at">
              <SelectBox
                label="Rate that it was timed at"
                value={madeFor}
                onChange={setMadeFor}
                choices={[
                  { value: '', label: 'Times as they are' },
                  ...RATES.list
                    .filter(({ id }) => id !== rate.id)
                    .map(({ id, label }) => ({ value: id, label: `${label}, played at ${rate.label}` })),
                ]}
              />
            </Labelled>
            {isText && (
              <Labelled label="Letters">
                <SelectBox
                  label="Encoding of the file"
                  value={encoding}
                  onChange={setEncoding}
                  choices={[
                    { value: '', label: 'As the file looks' },
                    ...TEXT_ENCODINGS.map(({ id, label }) => ({ value: id, label })),
                  ]}
                />
              </Labelled>
            )}
          </div>
          <Preview cues={cues} />
        </>
      )}
    </Modal>
  );
}

function readPicked(
  picked: Picked | null,
  encoding: string,
  clock: ReturnType<typeof useClock>,
): { readonly file: Read | null; readonly problem: string } {
  if (picked === null) return { file: null, problem: '' };
  try {
    const file = readCaptions(picked.name, picked.bytes, {
      clock,
      encoding: encoding === '' ? null : encoding,
    });
    return { file, problem: '' };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { file: null, problem: error.message };
  }
}

function nameFor(fileName: string, tracks: readonly CaptionTrack[]): string {
  const bare =
    fileName
      .replace(/\.\w+$/, '')
      .slice(0, 60)
      .trim() || 'Captions';
  return tracks.some(({ name }) => name === bare) ? `${bare.slice(0, 56)} (${tracks.length + 1})` : bare;
}

/** The work with cues in a track of its own, or in place of those that it had. */
function takenIn<
  W extends { readonly cues: readonly Cue[]; readonly plan: { readonly captions?: readonly CaptionTrack[] } },
>(work: W, cues: readonly Cue[], track: CaptionTrack, isNew: boolean): W {
  const others = work.cues.filter(({ trackId }) => trackId !== track.id);
  const own = cues.map((cue) => ({ ...cue, trackId: track.id }));
  const captions = work.plan.captions ?? [];
  return {
    ...work,
    cues: [...others, ...own],
    plan: isNew ? { ...work.plan, captions: [...captions, track] } : work.plan,
  };
}

function Told({ file, cues }: { readonly file: Read; readonly cues: readonly Cue[] }) {
  const clock = useClock();
  const last = cues.at(-1);
  const overlaps = cues.filter((cue, i) => {
    const next = cues[i + 1];
    return next !== undefined && cue.startFrame + cue.lengthFrames > next.startFrame;
  }).length;
  return (
    <div className="pt-3">
      <p>
        {`${file.format.label}: ${counted(cues.length, 'caption')}`}
        {last !== undefined &&
          `, from ${frameToTimecode(cues[0].startFrame, clock)} to ${frameToTimecode(last.startFrame + last.lengthFrames, clock)}`}
        {overlaps > 0 && `; ${counted(overlaps, 'overlaps', 'overlap')} the next`}.
      </p>
      {file.notes.map((note) => (
        <p key={note} className="text-soft">
          {note}
        </p>
      ))}
      {file.problems.length > 0 && (
        <div role="status" className="mt-2 rounded-lg bg-leaf-wash px-3 py-2 text-leaf-ink">
          <p className="font-semibold">Not all of it could be read as it stands</p>
          <ul className="max-h-24 overflow-auto">
            {file.problems.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

function Preview({ cues }: { readonly cues: readonly Cue[] }) {
  const clock = useClock();
  return (
    <>
      <ul className="mt-3 divide-y divide-line border-y border-line">
        {cues.slice(0, MOST_SHOWN).map((cue) => (
          <li key={cue.id} className="flex gap-3 py-1">
            <span className="font-mono text-[12.5px]">{frameToTimecode(cue.startFrame, clock)}</span>
            <span className="font-mono text-[12.5px] text-soft">
              {lengthToTimecode(cue.lengthFrames, clock)}
            </span>
            <span dir="auto" className="truncate">
              {plainWords(cue.words).replace(/\n/g, ' / ')}
            </span>
          </li>
        ))}
      </ul>
      {cues.length > MOST_SHOWN && <p className="pt-1 text-soft">and {cues.length - MOST_SHOWN} more</p>}
    </>
  );
}
