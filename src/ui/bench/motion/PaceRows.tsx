'use client';
import type { MoveUse } from '@/core/model/template';
import { UNIT_SECONDS } from '@/core/model/newMove';
import type { MoveTimes } from '@/core/timeline/stagger';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useTimeUnits } from './OrderRows';
import { UNIT_LABELS, UNITS_LABELS } from './words';

interface Props {
  readonly of: string;
  readonly use: MoveUse;
  /** What it comes to on the units that are there; undefined while that is not known. */
  readonly times: MoveTimes | undefined;
  readonly onChange: (change: Partial<MoveUse>) => void;
}

/** Whether each unit has a length of its own or all share one, and what that comes to on the words that are shown. */
export function PaceRows({ of, use, times, onChange }: Props) {
  const units = useTimeUnits();
  const each = use.unitSeconds ?? null;
  const one = UNIT_LABELS[use.unit].toLowerCase();
  return (
    <>
      <Row label="Length is">
        <SelectBox
          label={`What the length is, ${of}`}
          value={each === null ? 'all' : 'each'}
          choices={[
            { value: 'each', label: `For each ${one}` },
            { value: 'all', label: 'For all together' },
          ]}
          onChange={(what) => onChange({ unitSeconds: what === 'all' ? null : UNIT_SECONDS[use.unit] })}
        />
      </Row>
      {each !== null && (
        <Row label={`Each ${one}`}>
          <NumberBox
            label={`Length of each ${one}, ${of}`}
            unit="s"
            min={0.01}
            max={Math.max(0.01, use.lengthSeconds)}
            step={0.04}
            units={units}
            value={each}
            onChange={(unitSeconds) => onChange({ unitSeconds })}
          />
        </Row>
      )}
      {times !== undefined && times.count > 0 && (
        <p className="pb-1 text-[12px] text-soft">{paceWords(use, times)}</p>
      )}
    </>
  );
}

const seconds = (value: number): string => `${String(Number(value.toFixed(value < 0.1 ? 3 : 2)))} s`;

/** What a move comes to on the units that are there, and why a delay that was typed is not the one that happens. */
export function paceWords(use: MoveUse, times: MoveTimes): string {
  const { count, unitSeconds, gapSeconds, totalSeconds } = times;
  const counted = `${count} ${(count === 1 ? UNIT_LABELS : UNITS_LABELS)[use.unit].toLowerCase()}`;
  if (count === 1) return `${counted}, ${seconds(unitSeconds)} long.`;
  const next = gapSeconds > 0.0005 ? `one every ${seconds(gapSeconds)}` : 'all at once';
  const said = `${counted}, each ${seconds(unitSeconds)} long, ${next}, ${seconds(totalSeconds)} in all.`;
  const typed = use.waits ? null : use.gapSeconds;
  if (typed === null || Math.abs(typed - gapSeconds) < 0.001) return said;
  return `${said} The delay of ${seconds(typed)} does not fit into ${seconds(use.lengthSeconds)}.`;
}
