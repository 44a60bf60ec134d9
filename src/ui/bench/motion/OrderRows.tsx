'use client';
import { ArrowPathIcon } from '@heroicons/react/24/outline';
import type { MoveUse, Spread } from '@/core/model/template';
import type { Pivot } from '@/core/moves/move';
import { PIVOTS } from '@/core/moves/move';
import { ORDERS } from '@/core/orders';
import { RATES } from '@/core/time/rates';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';
import { idChoices, PIVOT_LABELS, SPREAD_LABELS } from './words';

/** Times can be typed in seconds and in frames of the template's rate. */
export function useTimeUnits(): Readonly<Record<string, number>> {
  const rate = RATES.get(useEditing().template.rate);
  return { f: rate.denominator / rate.numerator, s: 1 };
}

interface PartProps {
  readonly of: string;
  readonly use: MoveUse;
  readonly onChange: (change: Partial<MoveUse>) => void;
}

/** Whether units wait for the marks, each for that of its own number; a whole layer for one of them. */
export function WaitRow({ of, use, onChange }: PartProps) {
  const whole = use.unit === 'layer';
  return (
    <Row label="Start at">
      <span className="flex items-center gap-2">
        <input
          type="checkbox"
          aria-label={whole ? `Waits for a mark, ${of}` : `Each waits for its mark, ${of}`}
          className="accent-leaf"
          checked={use.waits}
          onChange={(event) => onChange({ waits: event.target.checked })}
        />
        <span className="shrink-0">{whole ? 'mark' : 'the marks (M)'}</span>
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

/** In what order units follow one another, and how closely. */
export function OrderRows({ of, use, onChange }: PartProps) {
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
              aria-label={`Another random order, ${of}`}
              title="Another random order"
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
      {use.order === 'from-one' && (
        <Row label="From">
          <NumberBox
            label={`From which one, ${of}`}
            unit=""
            min={1}
            max={400}
            step={1}
            value={(use.ranks[0] ?? 0) + 1}
            onChange={(number) => onChange({ ranks: [number - 1] })}
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

/** A fixed delay, how the starts are spread, and what units turn about. */
export function FineRows({ of, use, onChange }: PartProps) {
  const units = useTimeUnits();
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
                  units={units}
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

/** Whether the first frame of a move shows something, or is the empty one that it begins from. */
export function FirstFrameRow({ of, use, onChange }: PartProps) {
  return (
    <Row label="First frame">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          aria-label={`The first frame shows something, ${of}`}
          className="accent-leaf"
          checked={use.seenAtOnce ?? false}
          onChange={(event) => onChange({ seenAtOnce: event.target.checked })}
        />
        <span className="shrink-0">shows something</span>
      </label>
    </Row>
  );
}
