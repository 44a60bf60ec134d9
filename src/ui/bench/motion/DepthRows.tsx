'use client';
import type { Layer, Motion } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import type { FoldEdge } from '@/core/moves/fold';
import { FOLD_CHOICES } from '@/core/moves/fold';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { useApply } from '../state/benchStore';
import { PropertyRow, Row } from '../settings/PropertyRow';

const FIRST_DEGREES = 45;
const FIRST_SHADE = 0.6;

interface Props {
  readonly layer: Layer;
  readonly onChange: (change: Partial<Motion>) => void;
}

/** How a layer stands in depth, how far away the eye is from what turns, and how long the shutter is open. */
export function DepthRows({ layer, onChange }: Props) {
  const apply = useApply();
  const { shutterDegrees, fold = null } = layer.motion;
  const depth = bindLayer(layer).properties.filter(
    ({ part, path }) => part === 'motion' && !/^motion\.(retime|bend)\./.test(path),
  );
  return (
    <>
      {depth.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
      <Row label="Fold">
        <SelectBox<FoldEdge | 'none'>
          label="Folded at an edge"
          value={fold?.edge ?? 'none'}
          choices={[{ value: 'none', label: 'Not folded' }, ...FOLD_CHOICES]}
          onChange={(edge) =>
            onChange({
              fold: edge === 'none' ? null : { degrees: FIRST_DEGREES, shade: FIRST_SHADE, ...fold, edge },
            })
          }
        />
      </Row>
      <Row label="Shutter">
        <NumberBox
          label="Shutter"
          unit="°"
          min={0}
          max={720}
          step={45}
          value={shutterDegrees}
          onChange={(next) => onChange({ shutterDegrees: next })}
        />
      </Row>
      <p className="pb-1 text-[12px] text-soft">
        0° is sharp, 180° is how a film camera sees it, 360° a whole frame.
      </p>
      <button
        type="button"
        className="pb-1 font-semibold text-leaf-ink"
        onClick={() =>
          apply((now) => ({
            ...now,
            layers: now.layers.map((one) => ({ ...one, motion: { ...one.motion, shutterDegrees } })),
          }))
        }
      >
        The same shutter for all layers
      </button>
    </>
  );
}
