'use client';
import type { Motion } from '@/core/document/template';
import { NumberBox } from '../../shared/NumberBox';
import { useApply } from '../benchStore';
import { Row } from '../PropertyRow';

interface Props {
  readonly motion: Motion;
  readonly onChange: (change: Partial<Motion>) => void;
}

/** How far away the eye is from what turns, and how long the shutter is open. */
export function DepthRows({ motion, onChange }: Props) {
  const apply = useApply();
  const { shutterDegrees } = motion;
  return (
    <>
      <Row label="Eye distance">
        <NumberBox
          label="Distance of the eye"
          unit="u"
          min={50}
          max={100000}
          step={50}
          value={motion.perspectiveU}
          onChange={(perspectiveU) => onChange({ perspectiveU })}
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
