'use client';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { convertCues, shiftCues, snapToCuts, stretchCues, tidyGaps } from '@/core/captions/timeCues';
import { cutFrames } from '@/core/project/clips';
import { frameToTimecode } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { useClips, useClock, useDesk, useDeskUi } from '../deskContext';
import type { CuesChange } from './captionContext';
import { useApplyCues, useCaptionRules, useTrackCues } from './captionContext';
import { TimeField } from '../TimeField';

type Scope = 'all' | 'here' | 'chosen';

/** Times of many captions at once: moved, stretched between two known moments, converted, put to cuts and gaps. */
export function CueTimesDialog({ frame, onClose }: { readonly frame: number; readonly onClose: () => void }) {
  const clock = useClock();
  const cues = useTrackCues();
  const chosenIds = useDeskUi((ui) => ui.cueIds);
  const apply = useApplyCues();
  const [scope, setScope] = useState<Scope>(chosenIds.length > 1 ? 'chosen' : 'all');
  const [done, setDone] = useState('');
  const chosen = new Set(chosenIds);
  const meant = cues.filter(
    ({ id, startFrame }) => scope === 'all' || (scope === 'here' ? startFrame >= frame : chosen.has(id)),
  );
  const ids = new Set(meant.map(({ id }) => id));
  const act = (words: string, change: CuesChange): void => {
    const next = change(cues);
    const changed = next.filter((cue, i) => cue !== cues[i] && !same(cue, cues[i])).length;
    if (changed > 0) apply(() => next);
    setDone(`${words}: ${counted(changed, 'caption')} changed.`);
  };
  return (
    <Modal
      title="Times of captions"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span role="status" className="flex-1 text-soft">
            {done}
          </span>
          <Button look="gold" onClick={onClose}>
            Done
          </Button>
        </>
      }
    >
      <Segmented
        label="Which captions"
        value={scope}
        onChange={setScope}
        choices={[
          { value: 'all', label: `All ${cues.length}` },
          { value: 'here', label: `From ${frameToTimecode(frame, clock)} on` },
          { value: 'chosen', label: chosen.size === 1 ? 'The chosen one' : `The ${chosen.size} chosen` },
        ]}
      />
      <p className="pt-2 text-soft">{`What follows is done to ${counted(ids.size, 'caption')}.`}</p>
      <Move ids={ids} act={act} />
      <Stretch key={scope} ids={ids} meant={meant} act={act} />
      <Convert ids={ids} act={act} />
      <Tidy ids={ids} act={act} />
    </Modal>
  );
}

const same = (a: object, b: object | undefined): boolean =>
  b !== undefined && Object.entries(a).every(([key, value]) => Reflect.get(b, key) === value);

interface PartProps {
  readonly ids: ReadonlySet<string>;
  readonly act: (words: string, change: CuesChange) => void;
}

function Row({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="mt-3 grid grid-cols-[112px_1fr] items-start gap-2 border-t border-line pt-3">
      <span className="pt-1.5 font-semibold">{label}</span>
      <div className="flex flex-wrap items-center gap-2">{children}</div>
    </div>
  );
}

function Move({ ids, act }: PartProps) {
  const { rate } = useDesk();
  const [by, setBy] = useState(0);
  const perSecond = rate.numerator / rate.denominator;
  return (
    <Row label="Move">
      <span className="w-28">
        <NumberBox
          label="Move by, in frames"
          unit="f"
          min={-1e6}
          max={1e6}
          step={1}
          digits={0}
          units={{ s: perSecond }}
          value={by}
          onChange={(next) => setBy(Math.round(next))}
        />
      </span>
      <Button
        disabled={by === 0 || ids.size === 0}
        onClick={() => act('Moved', (now) => shiftCues(now, ids, by))}
      >
        Move
      </Button>
      <span className="text-[12px] text-soft">
        Later; a minus before it is earlier. Takes seconds too: 2.5s.
      </span>
    </Row>
  );
}

function Stretch({
  ids,
  meant,
  act,
}: PartProps & { readonly meant: readonly { readonly startFrame: number }[] }) {
  const first = meant[0]?.startFrame ?? 0;
  const last = meant.at(-1)?.startFrame ?? 0;
  const [to, setTo] = useState<readonly [number, number]>([first, last]);
  const [wrong, setWrong] = useState('');
  return (
    <Row label="Stretch">
      <span className="text-soft">The first should start at</span>
      <TimeField
        className="w-28"
        label="Where the first should start"
        kind="moment"
        frame={to[0]}
        onChange={(frame) => setTo([frame, to[1]])}
      />
      <span className="text-soft">and the last at</span>
      <TimeField
        className="w-28"
        label="Where the last should start"
        kind="moment"
        frame={to[1]}
        onChange={(frame) => setTo([to[0], frame])}
      />
      <Button
        disabled={meant.length < 2}
        onClick={() => {
          setWrong('');
          act('Stretched', (now) => {
            const next = stretchCues(
              now,
              ids,
              { fromFrame: first, toFrame: to[0] },
              { fromFrame: last, toFrame: to[1] },
            );
            if (next === null) setWrong('The last has to start after the first.');
            return next ?? now;
          });
        }}
      >
        Stretch
      </Button>
      {wrong !== '' && (
        <span role="alert" className="text-stop-ink">
          {wrong}
        </span>
      )}
    </Row>
  );
}

function Convert({ ids, act }: PartProps) {
  const { rate } = useDesk();
  const others = RATES.list.filter(({ id }) => id !== rate.id);
  const [from, setFrom] = useState(others[0].id);
  return (
    <Row label="Convert">
      <span className="text-soft">Timed at</span>
      <span className="w-28">
        <SelectBox
          label="Rate that they were timed at"
          value={from}
          onChange={setFrom}
          choices={others.map(({ id, label }) => ({ value: id, label }))}
        />
      </span>
      <span className="text-soft">{`and played frame for frame at ${rate.label}`}</span>
      <Button
        disabled={ids.size === 0}
        onClick={() => act('Converted', (now) => convertCues(now, ids, RATES.get(from), rate))}
      >
        Convert
      </Button>
    </Row>
  );
}

function Tidy({ ids, act }: PartProps) {
  const clips = useClips();
  const rules = useCaptionRules();
  const [below, setBelow] = useState(12);
  const cuts = cutFrames(clips).slice(1, -1);
  return (
    <Row label="Cuts and gaps">
      <Button
        disabled={ids.size === 0 || cuts.length === 0}
        title={`Starts and ends less than ${rules.cutFrames} frames from a cut go to it`}
        onClick={() => act('Put to cuts', (now) => snapToCuts(now, ids, cuts, rules))}
      >
        Put to the cuts
      </Button>
      <Button
        disabled={ids.size === 0}
        title={`Gaps below ${rules.gapFrames} frames are opened to it, those below the limit are filled up`}
        onClick={() => act('Gaps tidied', (now) => tidyGaps(now, ids, rules, below))}
      >
        Fill gaps below
      </Button>
      <span className="w-20">
        <NumberBox
          label="Gaps below, in frames"
          unit="f"
          min={0}
          max={250}
          step={1}
          digits={0}
          value={below}
          onChange={(next) => setBelow(Math.round(next))}
        />
      </span>
      <span className="text-[12px] text-soft">{`Leaves ${counted(rules.gapFrames, 'frame')} between any two.`}</span>
    </Row>
  );
}
