'use client';
import type { Retime, Timing } from '@/core/model/template';
import { RETIME_CURVE } from '@/core/titleTime/retime';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';
import { CurveBox } from './CurveBox';

const KINDS: readonly { readonly value: Retime['kind'] | 'none'; readonly label: string }[] = [
  { value: 'none', label: 'The title’s time' },
  { value: 'loop', label: 'Loop' },
  { value: 'thereAndBack', label: 'Back and forth' },
  { value: 'speed', label: 'Speed, also backwards' },
  { value: 'curve', label: 'By a curve' },
  { value: 'still', label: 'Freeze at a moment' },
];

const WITHIN: readonly { readonly value: 'hold' | 'title'; readonly label: string }[] = [
  { value: 'hold', label: 'The hold; in and out stay' },
  { value: 'title', label: 'All of the title' },
];

/** A new own time is that of the hold, and goes through the hold as it is designed. */
const first = ({ holdSeconds }: Timing): Retime => ({
  kind: 'loop',
  within: 'hold',
  speed: 1,
  fromSeconds: 0,
  spanSeconds: Math.max(0.02, holdSeconds),
});

interface Props {
  readonly retime: Retime | null;
  readonly onChange: (retime: Retime | null) => void;
}

/** How a layer's own time runs against the title's; for a group, of all that is in it. */
export function RetimeRows({ retime, onChange }: Props) {
  const { timing } = useEditing().template;
  const set = (change: Partial<Retime>): void => onChange({ ...(retime ?? first(timing)), ...change });
  return (
    <>
      <Row label="Time">
        <SelectBox
          label="Own time"
          value={retime?.kind ?? 'none'}
          choices={KINDS}
          onChange={(kind) => (kind === 'none' ? onChange(null) : set({ kind }))}
        />
      </Row>
      {retime !== null && <OwnTimeRows retime={retime} onChange={set} />}
    </>
  );
}

interface OwnProps {
  readonly retime: Retime;
  readonly onChange: (change: Partial<Retime>) => void;
}

function OwnTimeRows({ retime, onChange }: OwnProps) {
  const { kind } = retime;
  const within = retime.within ?? 'title';
  const loops = kind === 'loop' || kind === 'thereAndBack';
  const lasts = within === 'hold' || loops;
  return (
    <>
      <Row label="Of">
        <SelectBox
          label="What has its own time"
          value={within}
          choices={WITHIN}
          onChange={(next) => onChange({ within: next })}
        />
      </Row>
      {(loops || kind === 'still' || (kind === 'speed' && within === 'title')) && (
        <Row label={kind === 'still' ? 'At' : 'From'}>
          <NumberBox
            label={within === 'hold' ? 'From which moment of the hold' : 'From which moment'}
            unit="s"
            min={0}
            max={600}
            step={0.1}
            value={retime.fromSeconds}
            onChange={(fromSeconds) => onChange({ fromSeconds })}
          />
        </Row>
      )}
      {lasts && (
        <Row label={within === 'hold' ? 'Content' : 'Duration'}>
          <NumberBox
            label={within === 'hold' ? 'How long the content of the hold is' : 'How long a round lasts'}
            unit="s"
            min={0.02}
            max={600}
            step={0.1}
            value={retime.spanSeconds}
            onChange={(spanSeconds) => onChange({ spanSeconds })}
          />
        </Row>
      )}
      {(loops || kind === 'speed') && (
        <Row label="Speed">
          <NumberBox
            label="Speed"
            unit="%"
            min={-2000}
            max={2000}
            step={10}
            value={retime.speed * 100}
            onChange={(percent) => onChange({ speed: percent / 100 })}
          />
        </Row>
      )}
      {kind === 'curve' && (
        <CurveBox curve={retime.curve ?? RETIME_CURVE} onChange={(curve) => onChange({ curve })} />
      )}
      {loops && within === 'hold' && (
        <p className="pb-1 text-[12px] text-soft">
          As many whole rounds as fit best, so that the last one ends where the out begins.
        </p>
      )}
    </>
  );
}
