'use client';
import { ArrowPathIcon, TrashIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import { fitMove } from '@/core/document/editTemplate';
import { newMoveUse } from '@/core/document/newMove';
import type { Layer, MoveUse, Spread, UnitKind } from '@/core/document/template';
import { EASES } from '@/core/eases';
import { bindLayer } from '@/core/layers';
import { MOVES } from '@/core/moves';
import type { Pivot } from '@/core/moves/move';
import { PIVOTS } from '@/core/moves/move';
import { ORDERS } from '@/core/timeline/orders';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../PropertyRow';
import { Section } from '../Section';
import { MoveMenu } from './MoveMenu';
import { ParamRows } from './ParamRows';
import { idChoices, PIVOT_LABELS, SPREAD_LABELS, UNIT_LABELS } from './words';

interface Props {
  readonly layer: Layer;
  readonly column: 'in' | 'out';
  /** Which of the column's moves it is, from 1; said only when there are several. */
  readonly number: number;
  readonly many: boolean;
  readonly use: MoveUse;
  readonly columnSeconds: number;
  readonly onChange: (use: MoveUse) => void;
  readonly onRemove: () => void;
}

/** One move of the in or the out: which, on what units, in what order, when, and its own settings. */
export function MoveRows(props: Props) {
  const { layer, column, number, many, use, columnSeconds, onChange, onRemove } = props;
  const of = many ? `${column} ${number}` : column;
  const set = (change: Partial<MoveUse>): void => onChange(fitMove({ ...use, ...change }, columnSeconds));
  const units = bindLayer(layer).unitKinds;
  const offers = useMoveOffers(layer, column, use);
  const move = MOVES.get(use.move);
  return (
    <div className={many ? 'mb-1 rounded-lg border border-line px-2 py-1' : ''}>
      <div className="flex items-center gap-1 py-1">
        <MoveMenu
          label={`Move ${of}: ${move.label}`}
          button={move.label}
          layer={layer}
          offers={offers}
          chosen={use.move}
          onPick={(id) => onChange(fitMove(pickMove(layer, use, id), columnSeconds))}
        />
        <button
          type="button"
          aria-label={`Take away ${move.label}, ${of}`}
          title="Take this move away"
          onClick={onRemove}
          className="grid h-8 w-8 shrink-0 place-items-center rounded-lg text-soft hover:bg-paper"
        >
          <TrashIcon className="h-4 w-4" />
        </button>
      </div>
      {units.length > 1 && (
        <Row label="Moves by">
          <UnitChoice
            label={`Moves by, ${of}`}
            units={units}
            value={use.unit}
            onChange={(unit) => set({ unit })}
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
      <Row label="Start, length">
        <span className="grid grid-cols-2 gap-2">
          <NumberBox
            label={`Start ${of}`}
            unit="s"
            min={0}
            max={columnSeconds}
            step={0.04}
            value={use.startSeconds}
            onChange={(startSeconds) => set({ startSeconds })}
          />
          <NumberBox
            label={`Length ${of}`}
            unit="s"
            min={0.02}
            max={columnSeconds}
            step={0.04}
            value={use.lengthSeconds}
            onChange={(lengthSeconds) => set({ lengthSeconds })}
          />
        </span>
      </Row>
      <ParamRows params={move.params} of={of} values={use.params} onChange={(params) => set({ params })} />
      <Section title="Finer points" open={false}>
        <FineRows of={of} use={use} onChange={set} />
      </Section>
    </div>
  );
}

/** Another move with its own settings, on the units that suit it where this layer has them. */
export function pickMove(layer: Layer, use: MoveUse, id: string): MoveUse {
  const { suits } = MOVES.get(id);
  const units = bindLayer(layer).unitKinds;
  const unit = suits.unit !== undefined && units.includes(suits.unit) ? suits.unit : 'layer';
  const { startSeconds, lengthSeconds, seed } = use;
  return newMoveUse(id, { startSeconds, lengthSeconds, seed, ...suits, unit });
}

/** All moves as a menu offers them for a layer. */
export function useMoveOffers(layer: Layer, column: 'in' | 'out', use: MoveUse | null) {
  return useMemo(
    () =>
      MOVES.list.map(({ id, label }) => ({
        id,
        label,
        previewed: { kind: column, use: pickMove(layer, use ?? newMoveUse(id), id) },
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

interface PartProps {
  readonly of: string;
  readonly use: MoveUse;
  readonly onChange: (change: Partial<MoveUse>) => void;
}

/** Whether units wait for the marks, each for that of its own number; a whole layer for one of them. */
function WaitRow({ of, use, onChange }: PartProps) {
  const whole = use.unit === 'layer';
  return (
    <Row label="Waits">
      <span className="flex items-center gap-2">
        <input
          type="checkbox"
          aria-label={whole ? `Waits for a mark, ${of}` : `Each waits for its mark, ${of}`}
          className="accent-leaf"
          checked={use.waits}
          onChange={(event) => onChange({ waits: event.target.checked })}
        />
        <span className="shrink-0">{whole ? 'for mark' : 'for the marks (M)'}</span>
        {use.waits && whole && (
          <NumberBox
            label={`Which mark, ${of}`}
            unit=""
            min={1}
            max={400}
            step={1}
            value={(use.ranks[0] ?? 0) + 1}
            onChange={(mark) => onChange({ order: 'custom', ranks: [mark - 1] })}
          />
        )}
      </span>
    </Row>
  );
}

function OrderRows({ of, use, onChange }: PartProps) {
  return (
    <>
      <Row label="Order">
        <span className="flex gap-1">
          <SelectBox
            label={`Order ${of}`}
            value={use.order}
            choices={idChoices(ORDERS.list)}
            onChange={(order) => onChange({ order })}
          />
          {(use.order === 'random' || use.spread === 'uneven') && (
            <button
              type="button"
              aria-label={`Another chance, ${of}`}
              title="Another chance"
              className="grid h-8 w-8 shrink-0 place-items-center rounded-lg border border-line-strong bg-field hover:bg-leaf-wash"
              onClick={() => onChange({ seed: (use.seed % 9999) + 1 })}
            >
              <ArrowPathIcon className="h-4 w-4" />
            </button>
          )}
        </span>
      </Row>
      {use.order === 'custom' && (
        <Row label="Numbers">
          <input
            aria-label={`Ranks ${of}`}
            placeholder="2 1 3: who goes when"
            defaultValue={use.ranks.map((rank) => rank + 1).join(' ')}
            onChange={(event) => onChange({ ranks: ranksOf(event.target.value) })}
            className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5"
          />
        </Row>
      )}
      {use.gapSeconds === null && !use.waits && (
        <Row label="Overlap">
          <NumberBox
            label={`Overlap ${of}`}
            unit="%"
            min={0}
            max={100}
            step={5}
            value={use.overlap * 100}
            onChange={(percent) => onChange({ overlap: percent / 100 })}
          />
        </Row>
      )}
    </>
  );
}

/** Ranks from figures that count from 1; what is no figure is left out. */
function ranksOf(text: string): number[] {
  return (text.match(/\d+/g) ?? [])
    .slice(0, 400)
    .map((figure) => Math.max(0, Math.min(9999, Number(figure) - 1)));
}

function FineRows({ of, use, onChange }: PartProps) {
  return (
    <>
      {use.unit !== 'layer' && (
        <>
          <Row label="Fixed delay">
            <span className="flex items-center gap-2">
              <input
                type="checkbox"
                aria-label={`Fixed delay ${of}`}
                className="accent-leaf"
                checked={use.gapSeconds !== null}
                onChange={(event) => onChange({ gapSeconds: event.target.checked ? 0.08 : null })}
              />
              {use.gapSeconds !== null && (
                <NumberBox
                  label={`Delay from one to the next, ${of}`}
                  unit="s"
                  min={0}
                  max={10}
                  step={0.02}
                  value={use.gapSeconds}
                  onChange={(gapSeconds) => onChange({ gapSeconds })}
                />
              )}
            </span>
          </Row>
          <Row label="Spread">
            <SelectBox<Spread>
              label={`Spread ${of}`}
              value={use.spread}
              choices={SPREAD_LABELS}
              onChange={(spread) => onChange({ spread })}
            />
          </Row>
        </>
      )}
      <Row label="Turns about">
        <SelectBox<Pivot | 'own'>
          label={`Turns about, ${of}`}
          value={use.pivot ?? 'own'}
          choices={[
            { value: 'own', label: 'As the move has it' },
            ...PIVOTS.map((value) => ({ value, label: PIVOT_LABELS[value] })),
          ]}
          onChange={(pivot) => onChange({ pivot: pivot === 'own' ? null : pivot })}
        />
      </Row>
    </>
  );
}
