'use client';
import { encloseLayer } from '@/core/edit/editTemplate';
import type { BoxLayer, Extent, Layer, SizeLimits } from '@/core/model/template';
import { SAFE_AREA_LABELS } from '@/core/frame/safeAreas';
import { bindLayer } from '@/core/layers';
import { ENCLOSES_PATH } from '@/core/model/attachment';
import type { Property } from '@/core/layers/layerKind';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { useApply } from '../state/benchStore';
import { AnimateButton } from '../motion/AnimateButton';
import { PropertyRow, Row } from './PropertyRow';
import { Section } from './Section';
import { useEditing } from '../state/useEditing';

interface Props {
  readonly layer: BoxLayer;
  readonly others: readonly Layer[];
}

/** How a box finds its size: of its own, round other layers, like another, a share of an area, between two layers. */
export function SizeRows({ layer, others }: Props) {
  const apply = useApply();
  const { change } = useEditing();
  const set = (part: Partial<BoxLayer>): void =>
    change((one) => (one.kind === 'box' ? { ...one, ...part } : one));
  const properties = bindLayer(layer).properties;
  const sizes = properties.filter(({ path }) => /^(width|height)\./.test(path));
  const paddings = properties.filter(({ path }) => path.startsWith('padding.'));
  const encloses = layer.width.kind === 'encloses' || layer.height.kind === 'encloses';
  return (
    <Section title="Size">
      {(['width', 'height'] as const).map((side) => (
        <ExtentRows
          key={side}
          label={side === 'width' ? 'Width' : 'Height'}
          extent={layer[side]}
          others={others}
          onChange={(extent) => set({ [side]: extent })}
        />
      ))}
      {sizes.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} label={sizeLabel(property)} />
      ))}
      {encloses && (
        <fieldset className="py-1">
          <legend className="caps py-1">Encloses</legend>
          {others.map((one) => (
            <label key={one.id} className="flex items-center gap-2 py-1">
              <input
                type="checkbox"
                className="accent-leaf"
                checked={layer.encloses.includes(one.id)}
                onChange={(event) =>
                  apply((now) => encloseLayer(now, layer.id, one.id, event.target.checked))
                }
              />
              {one.name}
            </label>
          ))}
          <AnimateButton layer={layer} path={ENCLOSES_PATH} what="what it encloses" />
        </fieldset>
      )}
      {encloses &&
        paddings.map((property) => (
          <PropertyRow
            key={property.path}
            layer={layer}
            property={property}
            label={property.label.replace('Padding ', 'Pad ')}
          />
        ))}
      <LimitRows limits={layer.limits} onChange={(limits) => set({ limits })} />
    </Section>
  );
}

/** What a size is of its own, told from the row above it that says how it is found. */
function sizeLabel({ path, label }: Property): string {
  return path.endsWith('.u') ? `Fixed ${label.toLowerCase()}` : `Share of ${label.toLowerCase()}`;
}

interface ExtentProps {
  readonly label: string;
  readonly extent: Extent;
  readonly others: readonly Layer[];
  readonly onChange: (extent: Extent) => void;
}

function ExtentRows({ label, extent, others, onChange }: ExtentProps) {
  const first = others[0]?.id ?? '';
  const second = others[1]?.id ?? first;
  const choices: { value: string; label: string; extent: Extent }[] = [
    { value: 'fixed', label: 'Fixed', extent: extent.kind === 'fixed' ? extent : { kind: 'fixed', u: 200 } },
    { value: 'encloses', label: 'Encloses layers', extent: { kind: 'encloses' } },
    ...(['titleSafe', 'actionSafe', 'frame'] as const).map((of) => ({
      value: `share ${of}`,
      label: `Share of ${SAFE_AREA_LABELS[of].toLowerCase()}`,
      extent: { kind: 'share' as const, share: extent.kind === 'share' ? extent.share : 0.5, of },
    })),
    ...(others.length > 1
      ? [
          {
            value: 'between',
            label: 'Between two layers',
            extent:
              extent.kind === 'between' ? extent : { kind: 'between' as const, fromId: first, toId: second },
          },
        ]
      : []),
    ...others.map((one) => ({
      value: `matches ${one.id}`,
      label: `Same as ${one.name}`,
      extent: { kind: 'matches' as const, layerId: one.id },
    })),
  ];
  return (
    <>
      <Row label={label}>
        <SelectBox
          label={label}
          value={extentValue(extent)}
          choices={choices}
          onChange={(value) => onChange(choices.find((choice) => choice.value === value)?.extent ?? extent)}
        />
      </Row>
      {extent.kind === 'between' &&
        (['fromId', 'toId'] as const).map((end) => (
          <Row key={end} label={end === 'fromId' ? '… from' : '… to'}>
            <SelectBox
              label={`${label}, ${end === 'fromId' ? 'from' : 'to'}`}
              value={extent[end]}
              choices={others.map((one) => ({ value: one.id, label: one.name }))}
              onChange={(id) => onChange({ ...extent, [end]: id })}
            />
          </Row>
        ))}
    </>
  );
}

function extentValue(extent: Extent): string {
  if (extent.kind === 'matches') return `matches ${extent.layerId}`;
  return extent.kind === 'share' ? `share ${extent.of}` : extent.kind;
}

const LIMITS: readonly { readonly key: keyof SizeLimits; readonly label: string }[] = [
  { key: 'minWidthU', label: 'At least wide' },
  { key: 'maxWidthU', label: 'At most wide' },
  { key: 'minHeightU', label: 'At least high' },
  { key: 'maxHeightU', label: 'At most high' },
];

interface LimitProps {
  readonly limits: SizeLimits;
  readonly onChange: (limits: SizeLimits) => void;
}

function LimitRows({ limits, onChange }: LimitProps) {
  return (
    <fieldset className="pt-1">
      <legend className="sr-only">Limits</legend>
      {LIMITS.map(({ key, label }) => {
        const value = limits[key];
        return (
          <div key={key} className="grid h-9 grid-cols-[120px_1fr] items-center gap-2">
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-leaf"
                checked={value !== null}
                onChange={(event) => onChange({ ...limits, [key]: event.target.checked ? 200 : null })}
              />
              {label}
            </label>
            {value !== null && (
              <NumberBox
                label={label}
                unit="u"
                min={0}
                max={8000}
                step={1}
                value={value}
                onChange={(u) => onChange({ ...limits, [key]: u })}
              />
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
