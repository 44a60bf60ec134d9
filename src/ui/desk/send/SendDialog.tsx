'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import type { JobOrder } from '@/contract/jobs';
import { FORMATS } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import type { Output } from '@/core/outputs/output';
import { hasGround, isStill, planesOf } from '@/core/outputs/output';
import type { Delivery } from '@/core/model/plan';
import { announceJobs } from '../../press/announceJobs';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { Segmented } from '../../shared/Segmented';
import { Tick } from '../../shared/Tick';
import { useDelivery, useDesk, useDeskUi, usePlan, useTitles } from '../deskContext';
import { FileNames, patternProblem } from './FileNames';
import { FolderNames, folderProblem } from './FolderNames';
import { KindTicks } from './KindTicks';
import { OrderEstimate, useOrderPreview } from './OrderEstimate';
import { Presets } from './Presets';
import { ProgrammeParts, useProgramme } from './ProgrammeParts';
import { ProgrammeHoles } from './ProgrammeHoles';
import { ProofNotice, useLeft, wordFor } from './SendNotice';
import { useSendChoices } from './sendChoices';
import { Ticks } from './Ticks';
import { useMissing } from './useMissing';

type Which = 'one' | 'all' | 'programme';

const NONE: readonly JobOrder[] = [];

interface DialogProps {
  readonly flush: () => Promise<void>;
  readonly onClose: () => void;
}

/** Chooses which titles become files, of what kinds and in which deliveries, and sends them to the press. */
export function SendDialog({ flush, onClose }: DialogProps) {
  const { projectId } = useDesk();
  const selection = useDeskUi((ui) => ui.selection);
  const shown = useDelivery();
  const { deliveries } = usePlan();
  const [wanted, setWanted] = useState<readonly string[]>([shown.id]);
  const titles = useTitles();
  const router = useRouter();
  const sheet = useDeskUi((ui) => ui.sheet);
  const [which, setWhich] = useState<Which>(sheet === 'captions' ? 'programme' : 'one');
  const [programme, setProgramme] = useProgramme();
  const cues = useStore(useDesk().store, (state) => state.cues);
  const [choices, choose, keepChoices] = useSendChoices();
  const lacks = useMissing();
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const chosen = titles.filter((title) => selection.includes(title.id)).map(({ id }) => id);
  const onlyAll = chosen.length === 0;
  const isProgramme = which === 'programme';
  const all = titles.map(({ id }) => id);
  const said = cues.filter(({ trackId }) => trackId === programme.trackId).map(({ id }) => id);
  const sent = isProgramme
    ? [...(programme.titles ? all : []), ...said]
    : which === 'one' && !onlyAll
      ? chosen
      : all;
  // One picture is no programme, and pictures lie under whole programmes only.
  const offered = OUTPUTS.list.filter((output) => (isProgramme ? !isStill(output) : !hasGround(output)));
  const made = offered.filter(({ id }) => choices.outputs.includes(id));
  const into = deliveries.filter(({ id }) => wanted.includes(id));
  const left = useLeft(
    sent,
    into.map(({ id }) => id),
  );
  const jobCount = into.length * made.length;
  const perTitle = made.reduce((sum, output) => sum + planesOf(output, false).length, 0);
  const fileCount = into.length * perTitle * (isProgramme ? 1 : sent.length);
  const titleIds = isProgramme || which !== 'one' || onlyAll ? [] : chosen;
  const { names, premultiplied, fine } = choices;
  const folder = lacks?.hasFolder === true ? choices.folder : undefined;
  const orders = into.flatMap(({ id: deliveryId }) =>
    made.map(({ id: output }): JobOrder => {
      const order = { projectId, output, titleIds, deliveryId, names, folder, premultiplied, fine };
      return isProgramme ? { ...order, programme } : order;
    }),
  );
  const namesProblem = patternProblem(names) ?? folderProblem(folder ?? '');
  const canSend = sent.length > 0 && orders.length > 0 && namesProblem === null;
  const preview = useOrderPreview(canSend ? orders : NONE, flush);
  const send = async (): Promise<void> => {
    setBusy(true);
    setProblem('');
    try {
      await flush();
      const { ids } = await ask<{ readonly ids: string[] }>('orders', { method: 'POST', body: { orders } });
      keepChoices();
      if (!choices.staysHere) return router.push('/press');
      announceJobs(ids);
      toast.success(`Sent to the press: ${counted(fileCount, 'file')}.`);
      onClose();
    } catch (error) {
      setProblem(wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <Modal
      title="Send to Press"
      width="wide"
      open
      onClose={onClose}
      foot={
        <>
          <div className="flex-1 text-soft">
            {jobCount === 0 ? 'Choose a kind of file and a delivery.' : willMake(fileCount, jobCount)}
            <OrderEstimate preview={preview} />
          </div>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={busy || !canSend} onClick={() => void send()}>
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
      {isProgramme && (
        <ProgrammeParts withPictures={made.some(hasGround)} value={programme} onChange={setProgramme} />
      )}
      {deliveries.length > 1 && (
        <Ticks
          label="Deliveries"
          columns={3}
          choices={deliveries.map(({ id, name, format }) => ({ id, label: name, note: sizeOf(format) }))}
          chosen={wanted}
          onChange={setWanted}
        />
      )}
      <Presets choices={choices} onChoose={choose} />
      <KindTicks
        offered={offered}
        chosen={choices.outputs}
        onChange={(outputs) => choose({ outputs })}
        lacks={lacks}
      />
      <FileNames
        pattern={names}
        onChange={(next) => choose({ names: next })}
        names={preview?.names ?? []}
        alike={preview?.alike ?? 0}
      />
      <FolderNames
        pattern={choices.folder ?? ''}
        onChange={(next) => choose({ folder: next === '' ? undefined : next })}
        folders={preview?.folders ?? []}
        hasFolder={lacks === null ? null : lacks.hasFolder}
      />
      <WholeFrames outputs={made} deliveries={into} />
      <ProgrammeHoles outputs={made} titleIds={sent} />
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
        {made.some((output) => output.fine === 'asked') && (
          <Tick label="Paint in 16 bits, slower" on={fine} onChange={(next) => choose({ fine: next })} />
        )}
        {made.some(({ canPremultiply }) => canPremultiply) && (
          <Tick
            label="Colours premultiplied"
            on={premultiplied}
            onChange={(next) => choose({ premultiplied: next })}
          />
        )}
        <Tick
          label="Stay on the desk"
          on={choices.staysHere}
          onChange={(staysHere) => choose({ staysHere })}
        />
      </div>
      <ProofNotice
        left={left}
        what={wordFor(isProgramme && said.length > 0, programme.titles)}
        deliveryCount={into.length}
      />
      {problem !== '' && (
        <p role="alert" className="mt-3 text-stop-ink">
          {problem}
        </p>
      )}
    </Modal>
  );
}

interface WholeFramesProps {
  readonly outputs: readonly Output[];
  readonly deliveries: readonly Delivery[];
}

/** Says which kinds of file have whole frames though a delivery has fields. */
function WholeFrames({ outputs, deliveries }: WholeFramesProps) {
  const without = outputs.filter(({ fields }) => !fields).map(({ short }) => short);
  const interlaced = deliveries.filter((delivery) => delivery.interlaced).map(({ name }) => name);
  if (without.length === 0 || interlaced.length === 0) return null;
  return (
    <p className="mt-2 text-leaf-ink">
      {`Without fields: ${without.join(', ')}. In ${interlaced.join(', ')} ${without.length === 1 ? 'it has' : 'they have'} whole frames.`}
    </p>
  );
}

function willMake(files: number, jobs: number): string {
  return jobs === 1 ? `Makes ${counted(files, 'file')}.` : `Makes ${counted(files, 'file')} in ${jobs} jobs.`;
}

function sizeOf(format: string): string {
  const { widthPx, heightPx } = FORMATS.get(format);
  return `${widthPx} × ${heightPx}`;
}
