'use client';
import { setPropertyIn } from '@/core/edit/editInFormat';
import { updateLayer } from '@/core/edit/editTemplate';
import type { LongStep, TextLayer } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import { LONG_STEPS_PATH, stepsToText } from '@/core/layers/longSteps';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { useApply } from '../state/benchStore';
import { OverrideNote, PropertyRow, Row } from './PropertyRow';
import { Section } from './Section';
import { useEditing } from '../state/useEditing';

/** What to do, in order, when the text is wider than its limit; and the column it is set in. */
export function LongPanel({ layer }: { readonly layer: TextLayer }) {
  const apply = useApply();
  const { place } = useEditing();
  const changeSteps = (steps: readonly LongStep[]): void =>
    apply((now) => setPropertyIn(now, place, layer.id, LONG_STEPS_PATH, stepsToText(steps)));
  const setIn = (columnU: number | null): void =>
    apply((now) => updateLayer(now, layer.id, (one) => (one.kind === 'text' ? { ...one, columnU } : one)));
  const find = <K extends LongStep['kind']>(kind: K): Extract<LongStep, { kind: K }> | undefined =>
    layer.whenLong.find((step): step is Extract<LongStep, { kind: K }> => step.kind === kind);
  const put = (step: LongStep): void =>
    changeSteps(layer.whenLong.map((old) => (old.kind === step.kind ? step : old)));
  const toggle = (kind: LongStep['kind'], first: LongStep): void => {
    const without = layer.whenLong.filter((step) => step.kind !== kind);
    if (without.length < layer.whenLong.length) return changeSteps(without);
    // A cut comes last: it always fits, so nothing after it would be tried.
    const at = kind !== 'cut' && without.at(-1)?.kind === 'cut' ? without.length - 1 : without.length;
    changeSteps(without.toSpliced(at, 0, first));
  };
  const columns = bindLayer(layer).properties.filter(
    ({ path }) => path === 'columnU' || (path === 'maxWidthShare' && layer.columnU === null),
  );
  const wrap = find('wrap');
  const squeeze = find('squeeze');
  const shrink = find('shrink');
  return (
    <Section
      title="When the text is long"
      open={false}
      says={layer.whenLong.map((step) => step.kind).join(', ')}
    >
      <Row label="Set in">
        <Segmented
          label="Set in"
          value={layer.columnU === null ? 'words' : 'column'}
          choices={[
            { value: 'words', label: 'As wide as it is' },
            { value: 'column', label: 'A column' },
          ]}
          onChange={(kind) => setIn(kind === 'words' ? null : 600)}
        />
      </Row>
      {columns.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
      <OverrideNote layerId={layer.id} path={LONG_STEPS_PATH} label="When the text is long" />
      <StepRow
        label="Wrap"
        on={wrap !== undefined}
        onToggle={() => toggle('wrap', { kind: 'wrap', maxLines: 2 })}
      >
        {wrap && (
          <NumberBox
            label="Most lines"
            unit="lines"
            min={1}
            max={20}
            step={1}
            value={wrap.maxLines}
            onChange={(maxLines) => put({ kind: 'wrap', maxLines: Math.round(maxLines) })}
          />
        )}
      </StepRow>
      <StepRow
        label="Squeeze"
        on={squeeze !== undefined}
        onToggle={() => toggle('squeeze', { kind: 'squeeze', minPercent: 82 })}
      >
        {squeeze && (
          <NumberBox
            label="Squeeze to at least"
            unit="%"
            min={20}
            max={100}
            step={1}
            value={squeeze.minPercent}
            onChange={(minPercent) => put({ kind: 'squeeze', minPercent })}
          />
        )}
      </StepRow>
      <StepRow
        label="Shrink"
        on={shrink !== undefined}
        onToggle={() => toggle('shrink', { kind: 'shrink', minSizeU: Math.round(layer.style.sizeU * 0.6) })}
      >
        {shrink && (
          <NumberBox
            label="Shrink to at least"
            unit="u"
            min={4}
            max={1000}
            step={1}
            value={shrink.minSizeU}
            onChange={(minSizeU) => put({ kind: 'shrink', minSizeU })}
          />
        )}
      </StepRow>
      <StepRow label="Cut" on={find('cut') !== undefined} onToggle={() => toggle('cut', { kind: 'cut' })}>
        {find('cut') !== undefined && <span className="text-soft">with an ellipsis, and said</span>}
      </StepRow>
      {layer.whenLong.length > 1 && (
        <p className="pt-1 text-[12px] text-soft">
          Tried in this order:{' '}
          {layer.whenLong.map((step, i) => (
            <button
              key={step.kind}
              type="button"
              disabled={i === 0 || step.kind === 'cut'}
              aria-label={`Try ${step.kind} earlier`}
              title="Click to try it earlier"
              onClick={() => changeSteps(swap(layer.whenLong, i))}
              className="mr-1 rounded bg-paper px-1.5 py-0.5 font-semibold enabled:hover:bg-leaf-wash"
            >
              {i + 1} {step.kind}
            </button>
          ))}
        </p>
      )}
    </Section>
  );
}

/** The list with an entry moved one place earlier. */
function swap(steps: readonly LongStep[], index: number): LongStep[] {
  return steps.toSpliced(index, 1).toSpliced(index - 1, 0, steps[index]);
}

interface StepProps {
  readonly label: string;
  readonly on: boolean;
  readonly onToggle: () => void;
  readonly children: React.ReactNode;
}

function StepRow({ label, on, onToggle, children }: StepProps) {
  return (
    <div className="grid h-10 grid-cols-[84px_1fr] items-center gap-2">
      <label className="flex items-center gap-2">
        <input type="checkbox" className="accent-leaf" checked={on} onChange={onToggle} />
        {label}
      </label>
      <span>{children}</span>
    </div>
  );
}
