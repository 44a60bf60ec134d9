'use client';
import { Radio, RadioGroup } from '@headlessui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useStore } from 'zustand';
import type { JobOrder } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { counted } from '../shared/counted';
import { classes } from '../shared/classes';
import { Segmented } from '../shared/Segmented';
import { Labelled } from '../shared/StartDialog';
import { Modal } from '../shared/Modal';
import { SelectBox } from '../shared/SelectBox';
import { useDelivery, useDesk, useDeskUi, usePlan, useTitles } from './deskContext';
import { useTrack, useTracks } from './captions/captionContext';
import { useProofView } from './proof/proofView';

interface Left {
  /**
   * Titles with something to fix, with something to look at, those of which something cannot be looked at, and those
   * that are being looked at.
   */
  readonly stops: number;
  readonly looks: number;
  readonly unseen: number;
  readonly unknown: number;
}

/** What the proof still has to say of titles in a delivery. */
function useLeft(titleIds: readonly string[], deliveryId: string): Left {
  const { findingsOf, knows } = useProofView();
  const tones = titleIds.map((id) => {
    if (!knows(id)) return 'unknown';
    const here = findingsOf(id).filter(
      ({ deliveryIds }) => deliveryIds.length === 0 || deliveryIds.includes(deliveryId),
    );
    return here[0]?.tone ?? 'pass';
  });
  const count = (tone: string): number => tones.filter((one) => one === tone).length;
  return {
    stops: count('stop'),
    looks: count('look'),
    unseen: count('unseen'),
    unknown: count('unknown'),
  };
}

/** Says what is still to fix, to look at, or not looked at, before anything is sent. */
interface NoticeProps {
  readonly left: Left;
  /** What they are, one and several. */
  readonly what: readonly [string, string];
}

function ProofNotice({ left: { stops, looks, unseen, unknown }, what: [one, several] }: NoticeProps) {
  const parts = [
    stops > 0 && `${counted(stops, `${one} has`, `${several} have`)} something to fix`,
    looks > 0 && `${counted(looks, `${one} has`, `${several} have`)} something to look at`,
    unseen > 0 && `${counted(unseen, `${one} has`, `${several} have`)} something that could not be looked at`,
    unknown > 0 && `${counted(unknown, `${one} is`, `${several} are`)} still being looked at`,
  ].filter((part) => part !== false);
  if (parts.length === 0) return null;
  return (
    <p
      role="status"
      className={classes(
        'mt-3 rounded-lg px-3 py-2',
        stops + unseen + unknown > 0 ? 'bg-stop-wash text-stop-ink' : 'bg-leaf-wash text-leaf-ink',
      )}
    >
      {`In this delivery ${parts.join(', ')}.`}
    </p>
  );
}

/** What is sent, one and several. */
function wordFor(hasCaptions: boolean, hasTitles: boolean): readonly [string, string] {
  if (!hasCaptions) return ['title', 'titles'];
  return hasTitles ? ['title or caption', 'titles and captions'] : ['caption', 'captions'];
}

type Which = 'one' | 'all' | 'programme';

type ProgrammeChoice = NonNullable<JobOrder['programme']>;

/** What of a whole programme is painted: at first its titles, and the captions of the track that is worked on. */
function useProgramme() {
  const sheet = useDeskUi((ui) => ui.sheet);
  const track = useTrack();
  const trackId = track?.id ?? null;
  return useState<ProgrammeChoice>({ titles: sheet === 'titles' || track === null, trackId });
}

interface PartsProps {
  readonly value: ProgrammeChoice;
  readonly onChange: (value: ProgrammeChoice) => void;
}

function ProgrammeParts({ value, onChange }: PartsProps) {
  const tracks = useTracks();
  return (
    <div className="mt-3 flex items-center gap-4">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-leaf"
          checked={value.titles}
          onChange={(event) => onChange({ ...value, titles: event.target.checked })}
        />
        Titles
      </label>
      <span className="flex flex-1 items-center gap-2">
        <span className="text-soft">Captions</span>
        <SelectBox
          label="Captions that are painted"
          value={value.trackId ?? ''}
          onChange={(id) => onChange({ ...value, trackId: id === '' ? null : id })}
          choices={[
            { value: '', label: 'None' },
            ...tracks.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      </span>
    </div>
  );
}

interface DialogProps {
  readonly flush: () => Promise<void>;
  readonly onClose: () => void;
}

/** Chooses which titles become files, and of what kind, and sends them to the press. */
function SendDialog({ flush, onClose }: DialogProps) {
  const { projectId } = useDesk();
  const selection = useDeskUi((ui) => ui.selection);
  const shown = useDelivery();
  const { deliveries } = usePlan();
  const [delivery, setDelivery] = useState<string | null>(null);
  const titles = useTitles();
  const router = useRouter();
  const sheet = useDeskUi((ui) => ui.sheet);
  const [which, setWhich] = useState<Which>(sheet === 'captions' ? 'programme' : 'one');
  const [programme, setProgramme] = useProgramme();
  const cues = useStore(useDesk().store, (state) => state.cues);
  const [output, setOutput] = useState('mov-png');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const chosen = titles.filter((title) => selection.includes(title.id)).map(({ id }) => id);
  const onlyAll = chosen.length === 0;
  const deliveryId = delivery ?? shown.id;
  const isProgramme = which === 'programme';
  const all = titles.map(({ id }) => id);
  const said = cues.filter(({ trackId }) => trackId === programme.trackId).map(({ id }) => id);
  const sent = isProgramme
    ? [...(programme.titles ? all : []), ...said]
    : which === 'one' && !onlyAll
      ? chosen
      : all;
  // One picture is no programme.
  const outputs = OUTPUTS.list.filter(({ extension }) => !isProgramme || extension !== 'png');
  const made = outputs.find(({ id }) => id === output) ?? outputs[0];
  const left = useLeft(sent, deliveryId);
  const send = async (): Promise<void> => {
    setBusy(true);
    setProblem('');
    try {
      await flush();
      const titleIds = which === 'one' && !onlyAll ? chosen : [];
      const body = { projectId, output: made.id, titleIds, deliveryId };
      await ask('jobs', { method: 'POST', body: isProgramme ? { ...body, titleIds: [], programme } : body });
      router.push('/press');
    } catch (error) {
      setProblem(wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <Modal
      title="Send to Press"
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={busy || sent.length === 0} onClick={() => void send()}>
            {left.stops + left.unseen + left.unknown > 0 ? 'Send anyway' : 'Send'}
          </Button>
        </>
      }
    >
      <Segmented
        label="Titles"
        value={onlyAll && which === 'one' ? 'all' : which}
        onChange={setWhich}
        choices={[
          ...(onlyAll
            ? []
            : [
                {
                  value: 'one' as const,
                  label: chosen.length === 1 ? 'The chosen title' : `${chosen.length} chosen titles`,
                },
              ]),
          { value: 'all' as const, label: `All ${titles.length} titles` },
          { value: 'programme' as const, label: 'The whole programme' },
        ]}
      />
      {isProgramme && <ProgrammeParts value={programme} onChange={setProgramme} />}
      {deliveries.length > 1 && (
        <div className="mt-3">
          <Labelled label="Delivery">
            <SelectBox
              label="Delivery"
              value={deliveryId}
              onChange={setDelivery}
              choices={deliveries.map(({ id, name }) => ({ value: id, label: name }))}
            />
          </Labelled>
        </div>
      )}
      <RadioGroup
        aria-label="Kind of file"
        value={made.id}
        onChange={setOutput}
        className="mt-3 grid gap-1.5"
      >
        {outputs.map((one) => (
          <Radio
            key={one.id}
            value={one.id}
            className={({ checked }) =>
              classes(
                'cursor-pointer rounded-lg border px-3 py-2 data-focus:outline-2 data-focus:outline-leaf',
                checked ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
              )
            }
          >
            <span className="block font-semibold">{one.label}</span>
            <span className="text-soft">{one.note}</span>
          </Radio>
        ))}
      </RadioGroup>
      <ProofNotice left={left} what={wordFor(isProgramme && said.length > 0, programme.titles)} />
      {problem !== '' && (
        <p role="alert" className="mt-3 text-stop-ink">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** The way to the press; nothing of it follows the proof until it is opened. */
export function SendToPress({ flush }: Pick<DialogProps, 'flush'>) {
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
