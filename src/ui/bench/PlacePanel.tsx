'use client';
import { encloseLayer, updateLayer } from '@/core/document/editTemplate';
import type { BoxLayer, Extent, Layer, Place, PlaceTarget } from '@/core/document/template';
import { dependencies } from '@/core/layout/resolveLayout';
import { bindLayer } from '@/core/layers';
import { NumberBox } from '../shared/NumberBox';
import { SelectBox } from '../shared/SelectBox';
import { useApply, useTemplate } from './benchStore';
import { PointGrid } from './PointGrid';
import { PropertyRow, Row } from './PropertyRow';

const AREAS: readonly { readonly value: string; readonly label: string; readonly target: PlaceTarget }[] = [
  { value: 'titleSafe', label: 'Title safe', target: { kind: 'titleSafe' } },
  { value: 'actionSafe', label: 'Action safe', target: { kind: 'actionSafe' } },
  { value: 'frame', label: 'The frame', target: { kind: 'frame' } },
];

/** Where a layer is: what it is attached to, by which points, how far off, and for a box how its size is found. */
export function PlacePanel({ layer }: { readonly layer: Layer }) {
  const template = useTemplate();
  const apply = useApply();
  const { place } = layer;
  const set = (change: Partial<Place>): void =>
    apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, place: { ...one.place, ...change } })));
  const others = template.layers.filter(
    (one) => one.id !== layer.id && !waitsFor(template.layers, one, layer.id),
  );
  const targets = [
    ...AREAS,
    ...others.map((one) => ({
      value: one.id,
      label: one.name,
      target: { kind: 'layer' as const, layerId: one.id },
    })),
  ];
  const current = place.target.kind === 'layer' ? place.target.layerId : place.target.kind;
  const fits = layer.kind === 'box' && layer.width.kind === 'encloses' && layer.height.kind === 'encloses';
  return (
    <>
      {fits ? (
        <p className="rounded-lg bg-paper p-2.5 text-soft">
          This panel lies where the layers lie that it encloses. Move those, or drag the panel to move them
          together.
        </p>
      ) : (
        <>
          <Row label="Attached to">
            <SelectBox
              label="Attached to"
              value={current}
              choices={targets}
              onChange={(value) => {
                const chosen = targets.find((one) => one.value === value);
                if (chosen !== undefined) set({ target: chosen.target });
              }}
            />
          </Row>
          <div className="grid grid-cols-2 gap-3 py-2">
            <div>
              <p className="pb-1 text-soft">This layer’s</p>
              <PointGrid
                label="Point of this layer"
                value={place.point}
                onChange={(point) => set({ point })}
              />
            </div>
            <div>
              <p className="pb-1 text-soft">on the target’s</p>
              <PointGrid
                label="Point of the target"
                value={place.targetPoint}
                onChange={(targetPoint) => set({ targetPoint })}
              />
            </div>
          </div>
          <Row label="Offset">
            <span className="grid grid-cols-2 gap-2">
              <NumberBox
                label="Offset across"
                unit="u"
                min={-8000}
                max={8000}
                step={1}
                value={place.dxU}
                onChange={(dxU) => set({ dxU })}
              />
              <NumberBox
                label="Offset down"
                unit="u"
                min={-8000}
                max={8000}
                step={1}
                value={place.dyU}
                onChange={(dyU) => set({ dyU })}
              />
            </span>
          </Row>
        </>
      )}
      {layer.kind === 'box' && <SizeRows layer={layer} others={others} />}
    </>
  );
}

/** Whether a layer's place or size hangs, directly or through others, on the given one. */
function waitsFor(layers: readonly Layer[], layer: Layer, id: string, depth = 0): boolean {
  if (depth > layers.length) return true;
  return dependencies(layer).some((next) => {
    const found = layers.find((one) => one.id === next);
    return next === id || (found !== undefined && waitsFor(layers, found, id, depth + 1));
  });
}

function SizeRows({ layer, others }: { readonly layer: BoxLayer; readonly others: readonly Layer[] }) {
  const apply = useApply();
  const set = (change: Partial<BoxLayer>): void =>
    apply((now) => updateLayer(now, layer.id, (one) => (one.kind === 'box' ? { ...one, ...change } : one)));
  const toggle = (id: string, on: boolean): void => apply((now) => encloseLayer(now, layer.id, id, on));
  const sizes = bindLayer(layer).properties.filter((property) => /^(width|height)\./.test(property.path));
  const paddings = bindLayer(layer).properties.filter((property) => property.path.startsWith('padding.'));
  const encloses = layer.width.kind === 'encloses' || layer.height.kind === 'encloses';
  return (
    <div className="mt-2 border-t border-line pt-2">
      <Row label="Width">
        <ExtentSelect
          label="Width"
          extent={layer.width}
          others={others}
          onChange={(width) => set({ width })}
        />
      </Row>
      <Row label="Height">
        <ExtentSelect
          label="Height"
          extent={layer.height}
          others={others}
          onChange={(height) => set({ height })}
        />
      </Row>
      {sizes.map((property) => (
        <PropertyRow
          key={property.path}
          layer={layer}
          property={{ ...property, label: `${property.label} of` }}
        />
      ))}
      {encloses && (
        <fieldset className="py-1">
          <legend className="caps py-1">Encloses</legend>
          {others.map((one) => (
            <label key={one.id} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-leaf"
                checked={layer.encloses.includes(one.id)}
                onChange={(event) => toggle(one.id, event.target.checked)}
              />
              {one.name}
            </label>
          ))}
        </fieldset>
      )}
      {encloses &&
        paddings.map((property) => (
          <PropertyRow
            key={property.path}
            layer={layer}
            property={{ ...property, label: property.label.replace('Padding ', 'Pad ') }}
          />
        ))}
    </div>
  );
}

interface ExtentProps {
  readonly label: string;
  readonly extent: Extent;
  readonly others: readonly Layer[];
  readonly onChange: (extent: Extent) => void;
}

function ExtentSelect({ label, extent, others, onChange }: ExtentProps) {
  const choices: { value: string; label: string; extent: Extent }[] = [
    { value: 'fixed', label: 'Fixed', extent: extent.kind === 'fixed' ? extent : { kind: 'fixed', u: 200 } },
    { value: 'encloses', label: 'Encloses layers', extent: { kind: 'encloses' } },
    ...others.map((one) => ({
      value: `matches ${one.id}`,
      label: `Same as ${one.name}`,
      extent: { kind: 'matches' as const, layerId: one.id },
    })),
  ];
  return (
    <SelectBox
      label={label}
      value={extent.kind === 'matches' ? `matches ${extent.layerId}` : extent.kind}
      choices={choices}
      onChange={(value) => onChange(choices.find((choice) => choice.value === value)?.extent ?? extent)}
    />
  );
}
