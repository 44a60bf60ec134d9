'use client';
import type { Retime } from '@/core/model/template';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';

const KINDS: readonly { readonly value: Retime['kind'] | 'none'; readonly label: string }[] = [
  { value: 'none', label: 'The title’s time' },
  { value: 'speed', label: 'Speed, also backwards' },
  { value: 'loop', label: 'Loop' },
  { value: 'thereAndBack', label: 'Back and forth' },
  { value: 'still', label: 'Freeze at a moment' },
];

const FIRST: Retime = { kind: 'speed', speed: 1, fromSeconds: 0, spanSeconds: 1 };

interface Props {
  readonly retime: Retime | null;
  readonly onChange: (retime: Retime | null) => void;
}

/** How a layer's own time runs against the title's; for a group, of all that is in it. */
export function RetimeRows({ retime, onChange }: Props) {
  const set = (change: Partial<Retime>): void => onChange({ ...(retime ?? FIRST), ...change });
  const loops = retime?.kind === 'loop' || retime?.kind === 'thereAndBack';
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
      {retime !== null && (
        <Row label={retime.kind === 'still' ? 'At' : 'From'}>
          <NumberBox
            label="From which moment"
            unit="s"
            min={0}
            max={600}
            step={0.1}
            value={retime.fromSeconds}
            onChange={(fromSeconds) => set({ fromSeconds })}
          />
        </Row>
      )}
      {loops && (
        <Row label="Duration">
          <NumberBox
            label="How long a round lasts"
            unit="s"
            min={0.02}
            max={600}
            step={0.1}
            value={retime.spanSeconds}
            onChange={(spanSeconds) => set({ spanSeconds })}
          />
        </Row>
      )}
      {retime !== null && retime.kind !== 'still' && (
        <Row label="Speed">
          <NumberBox
            label="Speed"
            unit="%"
            min={-2000}
            max={2000}
            step={10}
            value={retime.speed * 100}
            onChange={(percent) => set({ speed: percent / 100 })}
          />
        </Row>
      )}
    </>
  );
}
