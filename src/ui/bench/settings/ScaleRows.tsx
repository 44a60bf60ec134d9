'use client';
import { LinkIcon } from '@heroicons/react/24/outline';
import { useState } from 'react';
import type { Layer } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import { NumberBox } from '../../shared/NumberBox';
import { PropertyRow, Row } from './PropertyRow';
import { useEditing } from '../state/useEditing';

/** Turning, and scaling with both axes linked unless they are unlinked. */
export function ScaleRows({ layer }: { readonly layer: Layer }) {
  const { set } = useEditing();
  const { scaleX, scaleY } = layer.place;
  const [linked, setLinked] = useState(Math.abs(scaleX) === Math.abs(scaleY));
  const turn = findProperty(layer, 'place.rotateDegrees');
  const scale = (axis: 'X' | 'Y', percent: number): void => {
    set(`place.scale${axis}`, percent);
    const [own, other] = axis === 'X' ? [scaleX, scaleY] : [scaleY, scaleX];
    // Linked axes keep their proportion to one another.
    if (linked) set(`place.scale${axis === 'X' ? 'Y' : 'X'}`, own === 0 ? percent : (percent * other) / own);
  };
  return (
    <>
      {turn !== undefined && <PropertyRow layer={layer} property={turn} />}
      <Row label="Scale">
        <span className="grid grid-cols-[1fr_28px_1fr] items-center gap-1">
          <NumberBox
            label="Scale across"
            unit="%"
            min={-2000}
            max={2000}
            step={1}
            value={scaleX * 100}
            onChange={(v) => scale('X', v)}
          />
          <button
            type="button"
            aria-label="Scale both axes together"
            aria-pressed={linked}
            title={linked ? 'Both axes go together; click to unlink' : 'Click to link both axes'}
            onClick={() => setLinked(!linked)}
            className={`grid h-7 w-7 place-items-center rounded-md ${linked ? 'bg-leaf-wash text-leaf-ink' : 'text-faint'}`}
          >
            <LinkIcon className="h-4 w-4" />
          </button>
          <NumberBox
            label="Scale down"
            unit="%"
            min={-2000}
            max={2000}
            step={1}
            value={scaleY * 100}
            onChange={(v) => scale('Y', v)}
          />
        </span>
      </Row>
      <Row label="Flip">
        <span role="group" aria-label="Flip" className="grid grid-cols-2 gap-1">
          {(['X', 'Y'] as const).map((axis) => {
            const now = axis === 'X' ? scaleX : scaleY;
            return (
              <button
                key={axis}
                type="button"
                aria-pressed={now < 0}
                onClick={() => set(`place.scale${axis}`, -now * 100)}
                className={`h-8 rounded-lg border border-line-strong ${now < 0 ? 'bg-chosen font-semibold text-on-chosen' : 'bg-field hover:border-soft'}`}
              >
                {axis === 'X' ? 'Left to right' : 'Top to bottom'}
              </button>
            );
          })}
        </span>
      </Row>
    </>
  );
}
