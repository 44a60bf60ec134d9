'use client';
import { useMemo } from 'react';
import { fitMove } from '@/core/edit/editTemplate';
import { movesFor, pacedMove, pickMove } from '@/core/edit/pickMove';
import { newMoveUse } from '@/core/model/newMove';
import type { Layer, MoveUse, UnitKind } from '@/core/model/template';
import { EASES } from '@/core/eases';
import { bindLayer } from '@/core/layers';
import { MOVES } from '@/core/moves';
import type { MoveTimes } from '@/core/timeline/stagger';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { Section } from '../settings/Section';
import { MoveHead } from './MoveHead';
import { FineRows, FirstFrameRow, OrderRows, useTimeUnits, WaitRow } from './OrderRows';
import { PaceRows } from './PaceRows';
import { ParamRows } from './ParamRows';
import { idChoices, UNIT_LABELS } from './words';

interface Props {
  readonly layer: Layer;
  readonly column: 'in' | 'out';
  /** Which of the column's moves it is, from 1; said only when there are several. */
  readonly number: number;
  readonly many: boolean;
  readonly use: MoveUse;
  readonly columnSeconds: number;
  /** What it comes to on the units that are there; undefined while that is not known. */
  readonly times: MoveTimes | undefined;
  readonly onChange: (use: MoveUse) => void;
  readonly onRemove: () => void;
}

/** One move of the in or the out: which, on what units, in what order, when, and its own settings. */
export function MoveRows(props: Props) {
  const { layer, column, number, many, use, columnSeconds, times, onChange, onRemove } = props;
  const of = many ? `${column} ${number}` : column;
  const set = (change: Partial<MoveUse>): void => onChange(fitMove({ ...use, ...change }, columnSeconds));
  const kinds = bindLayer(layer).unitKinds;
  const units = useTimeUnits();
  const offers = useMoveOffers(layer, column, use);
  const move = MOVES.get(use.move);
  const isPaced = use.unit !== 'layer' && use.unitSeconds != null;
  return (
    <div className={many ? 'mb-1 rounded-lg border border-line px-2 py-1' : ''}>
      <MoveHead
        of={of}
        move={move}
        layer={layer}
        offers={offers}
        onPick={(id) => onChange(fitMove(pickMove(layer, use, id, column), columnSeconds))}
        onRemove={onRemove}
      />
      {kinds.length > 1 && (
        <Row label="Animate by">
          <UnitChoice
            label={`Animate by, ${of}`}
            units={kinds}
            value={use.unit}
            onChange={(unit) => set(pacedMove({ ...use, unit }, use.unitSeconds))}
          />
        </Row>
      )}
      {use.unit !== 'layer' && <OrderRows of={of} use={use} onChange={set} />}
      {column === 'in' && <WaitRow of={of} use={use} onChange={set} />}
      <Row label="Ease">
        <SelectBox
          label={`Ease ${of}`}
          value={use.ease}
          choices={idChoices(EASES.list)}
          onChange={(ease) => set({ ease })}
        />
      </Row>
      <Row label={isPaced ? 'Start, at most' : 'Start, length'}>
        <span className="grid grid-cols-2 gap-2">
          <NumberBox
            label={`Start ${of}`}
            unit="s"
            min={0}
            max={columnSeconds}
            step={0.04}
            units={units}
            value={use.startSeconds}
            onChange={(startSeconds) => set({ startSeconds })}
          />
          <NumberBox
            label={`${isPaced ? 'Longest' : 'Length'} ${of}`}
            unit="s"
            min={0.02}
            max={columnSeconds}
            step={0.04}
            units={units}
            value={use.lengthSeconds}
            onChange={(lengthSeconds) => set({ lengthSeconds })}
          />
        </span>
      </Row>
      {use.unit !== 'layer' && <PaceRows of={of} use={use} times={times} onChange={set} />}
      <ParamRows params={move.params} of={of} values={use.params} onChange={(params) => set({ params })} />
      <Section title="Advanced" open={false}>
        {column === 'in' && <FirstFrameRow of={of} use={use} onChange={set} />}
        <FineRows of={of} use={use} onChange={set} />
      </Section>
    </div>
  );
}

/** The moves that do something, as a menu offers them for a layer. */
export function useMoveOffers(layer: Layer, column: 'in' | 'out', use: MoveUse | null) {
  return useMemo(
    () =>
      movesFor(layer).map(({ id, label }) => ({
        id,
        label,
        previewed: { kind: column, use: pickMove(layer, use ?? newMoveUse(id), id, column) },
      })),
    [layer, column, use],
  );
}

interface UnitProps {
  readonly label: string;
  readonly units: readonly UnitKind[];
  readonly value: UnitKind;
  readonly onChange: (unit: UnitKind) => void;
}

/** Which parts of a layer a move acts on. */
export function UnitChoice({ label, units, value, onChange }: UnitProps) {
  const choices = units.map((unit) => ({ value: unit, label: UNIT_LABELS[unit] }));
  return choices.length > 4 ? (
    <SelectBox label={label} value={value} choices={choices} onChange={onChange} />
  ) : (
    <Segmented label={label} value={value} choices={choices} onChange={onChange} />
  );
}
