'use client';
import { fitMove, updateLayer } from '@/core/document/editTemplate';
import type { Layer, Motion, MoveUse, UnitKind } from '@/core/document/template';
import { EASES } from '@/core/eases';
import { bindLayer } from '@/core/layers';
import { MOVES } from '@/core/moves';
import type { MoveParam } from '@/core/moves/move';
import { presetParams } from '@/core/moves/move';
import { ORDERS } from '@/core/timeline/orders';
import { NumberBox } from '../shared/NumberBox';
import { Segmented } from '../shared/Segmented';
import { SelectBox } from '../shared/SelectBox';
import { useApply } from './benchStore';
import { Row } from './PropertyRow';
import { useEditing } from './useEditing';

const UNIT_LABELS: Readonly<Record<UnitKind, string>> = {
  layer: 'Whole',
  row: 'Row',
  line: 'Line',
  word: 'Word',
  letter: 'Letter',
};

const idChoices = (
  list: readonly { readonly id: string; readonly label: string }[],
): { value: string; label: string }[] => list.map(({ id, label }) => ({ value: id, label }));

/** How a layer comes in and goes out. */
export function MotionPanel({ layer }: { readonly layer: Layer }) {
  const { template } = useEditing();
  const apply = useApply();
  const { timing } = template;
  const set = (change: Partial<Motion>): void =>
    apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, motion: { ...one.motion, ...change } })));
  const { in: arrive, out: leave } = layer.motion;
  const start = (move: string, seconds: number): MoveUse => ({
    move,
    unit: 'layer',
    order: 'forward',
    overlap: 0.5,
    ease: 'settle',
    startSeconds: 0,
    lengthSeconds: seconds,
    params: presetParams(MOVES.get(move)),
  });
  const choices = [{ value: 'none', label: 'None, it is simply there' }, ...idChoices(MOVES.list)];
  return (
    <>
      <p className="caps pb-1 text-in">In</p>
      <Row label="Move">
        <SelectBox
          label="Move in"
          value={arrive?.move ?? 'none'}
          choices={choices}
          onChange={(move) =>
            set({ in: move === 'none' ? null : changeMove(arrive ?? start(move, timing.inSeconds), move) })
          }
        />
      </Row>
      {arrive !== null && (
        <UseRows
          layer={layer}
          column="in"
          use={arrive}
          columnSeconds={timing.inSeconds}
          onChange={(use) => set({ in: use })}
        />
      )}
      <p className="caps mt-3 border-t border-line pt-3 pb-1 text-out">Out</p>
      <Row label="Move">
        <SelectBox
          label="Move out"
          value={leave === 'mirror' ? 'mirror' : (leave?.move ?? 'none')}
          choices={[{ value: 'mirror', label: 'The in, backwards' }, ...choices]}
          onChange={(move) => {
            if (move === 'mirror') set({ out: 'mirror' });
            else if (move === 'none') set({ out: null });
            else
              set({
                out: changeMove(
                  leave === null || leave === 'mirror' ? start(move, timing.outSeconds) : leave,
                  move,
                ),
              });
          }}
        />
      </Row>
      {leave !== null && leave !== 'mirror' && (
        <UseRows
          layer={layer}
          column="out"
          use={leave}
          columnSeconds={timing.outSeconds}
          onChange={(use) => set({ out: use })}
        />
      )}
    </>
  );
}

function changeMove(use: MoveUse, move: string): MoveUse {
  return use.move === move ? use : { ...use, move, params: presetParams(MOVES.get(move)) };
}

interface UseProps {
  readonly layer: Layer;
  readonly column: 'in' | 'out';
  readonly use: MoveUse;
  readonly columnSeconds: number;
  readonly onChange: (use: MoveUse) => void;
}

function UseRows({ layer, column, use, columnSeconds, onChange }: UseProps) {
  const set = (change: Partial<MoveUse>): void => onChange(fitMove({ ...use, ...change }, columnSeconds));
  const units = bindLayer(layer).unitKinds;
  return (
    <>
      {units.length > 1 && (
        <Row label="Moves by">
          <Segmented
            label={`Moves ${column} by`}
            value={use.unit}
            choices={units.map((unit) => ({ value: unit, label: UNIT_LABELS[unit] }))}
            onChange={(unit) => set({ unit })}
          />
        </Row>
      )}
      {use.unit !== 'layer' && (
        <>
          <Row label="Order">
            <SelectBox
              label={`Order ${column}`}
              value={use.order}
              choices={idChoices(ORDERS.list)}
              onChange={(order) => set({ order })}
            />
          </Row>
          <Row label="Overlap">
            <NumberBox
              label={`Overlap ${column}`}
              unit="%"
              min={0}
              max={100}
              step={5}
              value={use.overlap * 100}
              onChange={(percent) => set({ overlap: percent / 100 })}
            />
          </Row>
        </>
      )}
      <Row label="Ease">
        <SelectBox
          label={`Ease ${column}`}
          value={use.ease}
          choices={idChoices(EASES.list)}
          onChange={(ease) => set({ ease })}
        />
      </Row>
      <Row label="Start, length">
        <span className="grid grid-cols-2 gap-2">
          <NumberBox
            label={`Start ${column}`}
            unit="s"
            min={0}
            max={columnSeconds}
            step={0.04}
            value={use.startSeconds}
            onChange={(startSeconds) => set({ startSeconds })}
          />
          <NumberBox
            label={`Length ${column}`}
            unit="s"
            min={0.02}
            max={columnSeconds}
            step={0.04}
            value={use.lengthSeconds}
            onChange={(lengthSeconds) => set({ lengthSeconds })}
          />
        </span>
      </Row>
      {MOVES.find(use.move)?.params.map((param) => (
        <Row key={param.id} label={param.label}>
          <ParamControl
            param={param}
            column={column}
            value={use.params[param.id] ?? param.preset}
            onChange={(value) => set({ params: { ...use.params, [param.id]: value } })}
          />
        </Row>
      ))}
    </>
  );
}

interface ParamProps {
  readonly param: MoveParam;
  readonly column: string;
  readonly value: string | number | boolean;
  readonly onChange: (value: string | number | boolean) => void;
}

function ParamControl({ param, column, value, onChange }: ParamProps) {
  const label = `${param.label}, ${column}`;
  if (param.control === 'number') {
    return (
      <NumberBox
        label={label}
        unit={param.unit}
        min={param.min}
        max={param.max}
        step={1}
        value={Number(value)}
        onChange={onChange}
      />
    );
  }
  if (param.control === 'choice') {
    return <SelectBox label={label} value={String(value)} choices={param.choices} onChange={onChange} />;
  }
  return (
    <input
      type="checkbox"
      aria-label={label}
      className="accent-leaf"
      checked={value === true}
      onChange={(event) => onChange(event.target.checked)}
    />
  );
}
