'use client';
import { updateLayer } from '@/core/document/editTemplate';
import type { DropShadow, Layer, LongStep, TextLayer } from '@/core/document/template';
import { bindLayer } from '@/core/layers';
import { ColourBox } from '../shared/ColourBox';
import { NumberBox } from '../shared/NumberBox';
import { useApply } from './benchStore';
import { PropertyRow, Row } from './PropertyRow';

const PLACE_PATHS = /^(padding|width|height)\./;

/** What a layer looks like: its text and type, its colours and edges, and what to do when a text is long. */
export function TypePanel({ layer }: { readonly layer: Layer }) {
  const properties = bindLayer(layer).properties.filter((property) => !PLACE_PATHS.test(property.path));
  return (
    <>
      {properties.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
      <ShadowRows layer={layer} />
      {layer.kind === 'text' && <LongRows layer={layer} />}
    </>
  );
}

const FIRST_SHADOW: DropShadow = {
  angleDegrees: 90,
  distanceU: 4,
  softnessU: 20,
  colour: '#000000',
  opacity: 0.6,
};

function ShadowRows({ layer }: { readonly layer: Layer }) {
  const apply = useApply();
  const { shadow } = layer;
  const set = (next: DropShadow | null): void =>
    apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, shadow: next })));
  return (
    <fieldset className="mt-2 border-t border-line pt-2">
      <legend className="sr-only">Shadow</legend>
      <label className="flex items-center gap-2 py-1 font-semibold">
        <input
          type="checkbox"
          className="accent-leaf"
          checked={shadow !== null}
          onChange={(event) => set(event.target.checked ? FIRST_SHADOW : null)}
        />
        Shadow
      </label>
      {shadow !== null && (
        <>
          <Row label="Angle, far">
            <span className="grid grid-cols-2 gap-2">
              <NumberBox
                label="Shadow angle"
                unit="°"
                min={-360}
                max={360}
                step={5}
                value={shadow.angleDegrees}
                onChange={(angleDegrees) => set({ ...shadow, angleDegrees })}
              />
              <NumberBox
                label="Shadow distance"
                unit="u"
                min={0}
                max={300}
                step={1}
                value={shadow.distanceU}
                onChange={(distanceU) => set({ ...shadow, distanceU })}
              />
            </span>
          </Row>
          <Row label="Soft, strong">
            <span className="grid grid-cols-2 gap-2">
              <NumberBox
                label="Shadow softness"
                unit="u"
                min={0}
                max={300}
                step={1}
                value={shadow.softnessU}
                onChange={(softnessU) => set({ ...shadow, softnessU })}
              />
              <NumberBox
                label="Shadow strength"
                unit="%"
                min={0}
                max={100}
                step={5}
                value={shadow.opacity * 100}
                onChange={(percent) => set({ ...shadow, opacity: percent / 100 })}
              />
            </span>
          </Row>
          <Row label="Colour">
            <ColourBox
              label="Shadow colour"
              value={shadow.colour}
              onChange={(colour) => set({ ...shadow, colour })}
            />
          </Row>
        </>
      )}
    </fieldset>
  );
}

function LongRows({ layer }: { readonly layer: TextLayer }) {
  const apply = useApply();
  const change = (part: Partial<TextLayer>): void =>
    apply((now) => updateLayer(now, layer.id, (one) => (one.kind === 'text' ? { ...one, ...part } : one)));
  const find = <K extends LongStep['kind']>(kind: K): Extract<LongStep, { kind: K }> | undefined =>
    layer.whenLong.find((step): step is Extract<LongStep, { kind: K }> => step.kind === kind);
  const put = (step: LongStep): void =>
    change({ whenLong: layer.whenLong.map((old) => (old.kind === step.kind ? step : old)) });
  const toggle = (kind: LongStep['kind'], first: LongStep): void => {
    const without = layer.whenLong.filter((step) => step.kind !== kind);
    const order = ['wrap', 'squeeze', 'shrink'];
    const added = without.length < layer.whenLong.length ? without : [...without, first];
    change({ whenLong: added.toSorted((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind)) });
  };
  const wrap = find('wrap');
  const squeeze = find('squeeze');
  const shrink = find('shrink');
  return (
    <fieldset className="mt-2 border-t border-line pt-2">
      <legend className="sr-only">When the text is long</legend>
      <p className="caps pb-1">When the text is long</p>
      <Row label="Widest">
        <NumberBox
          label="Widest, of the title-safe width"
          unit="%"
          min={5}
          max={200}
          step={1}
          value={layer.maxWidthShare * 100}
          onChange={(percent) => change({ maxWidthShare: percent / 100 })}
        />
      </Row>
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
    </fieldset>
  );
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
