'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import type { OwnArea, Template } from '@/core/model/template';
import { CUSTOM_SIDE_PX, customFormatId, FORMATS } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { useApply, useTemplate } from '../state/benchStore';
import { useEditing } from '../state/useEditing';

const withFormat = (template: Template, id: string): Template =>
  template.formats.includes(id) ? template : { ...template, formats: [...template.formats, id] };

/** More formats for the wall: those that are known, and one of a size of one's own. */
export function AddFormat() {
  const template = useTemplate();
  const apply = useApply();
  const [size, setSize] = useState({ widthPx: 1920, heightPx: 800 });
  const free = FORMATS.list.filter((format) => !template.formats.includes(format.id));
  return (
    <Popover>
      <PopoverButton className="py-1 font-semibold text-leaf-ink">+ Add a format</PopoverButton>
      <PopoverPanel
        anchor={{ to: 'right start', gap: 8 }}
        className="z-40 max-h-[70vh] w-64 overflow-y-auto rounded-xl border border-line-strong bg-card p-1"
      >
        {({ close }) => (
          <>
            {free.map((format) => (
              <button
                key={format.id}
                type="button"
                className="flex w-full justify-between rounded-lg px-3 py-1.5 text-left hover:bg-leaf-wash"
                onClick={() => {
                  apply((now) => withFormat(now, format.id));
                  close();
                }}
              >
                <span>
                  {format.label} {format.shapeLabel}
                </span>
                <span className="font-mono text-[12px] text-soft">
                  {format.widthPx} × {format.heightPx}
                </span>
              </button>
            ))}
            <div className="mt-1 border-t border-line p-3">
              <p className="caps pb-1">A size of your own</p>
              <span className="grid grid-cols-2 gap-2">
                {(['widthPx', 'heightPx'] as const).map((side) => (
                  <NumberBox
                    key={side}
                    label={side === 'widthPx' ? 'Width of the format' : 'Height of the format'}
                    unit="px"
                    min={CUSTOM_SIDE_PX.least}
                    max={CUSTOM_SIDE_PX.most}
                    step={2}
                    digits={0}
                    value={size[side]}
                    onChange={(value) => setSize({ ...size, [side]: Math.round(value) })}
                  />
                ))}
              </span>
              <Button
                className="mt-2 w-full"
                onClick={() => {
                  apply((now) => withFormat(now, customFormatId(size.widthPx, size.heightPx)));
                  close();
                }}
              >
                Add it
              </Button>
            </div>
          </>
        )}
      </PopoverPanel>
    </Popover>
  );
}

const SIDES = ['left', 'right', 'top', 'bottom'] as const;

/** The title-safe area of the format that is looked at: the usual one, or one of the template's own. */
export function OwnAreaRows() {
  const apply = useApply();
  const { template, format } = useEditing();
  const own = template.areas.find((area) => area.format === format.id);
  const set = (area: OwnArea | null): void =>
    apply((now) => ({
      ...now,
      areas: [...now.areas.filter((one) => one.format !== format.id), ...(area === null ? [] : [area])],
    }));
  return (
    <>
      <label className="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          className="accent-leaf"
          checked={own !== undefined}
          onChange={(event) => set(event.target.checked ? usualArea(format) : null)}
        />
        Title safe of its own in {format.label}
      </label>
      {own !== undefined && (
        <div className="grid grid-cols-2 gap-2 py-1">
          {SIDES.map((side) => (
            <label key={side} className="flex items-center gap-2">
              <span className="w-12 text-soft">{side}</span>
              <NumberBox
                label={`Title safe, ${side}`}
                unit="%"
                min={0}
                max={45}
                step={0.5}
                value={own[side] * 100}
                onChange={(percent) => set({ ...own, [side]: percent / 100 })}
              />
            </label>
          ))}
        </div>
      )}
    </>
  );
}

function usualArea(format: FrameFormat): OwnArea {
  const frame = safeArea(format, 'frame');
  const { x, y, width, height } = safeArea(format, 'titleSafe');
  return {
    format: format.id,
    left: x / frame.width,
    top: y / frame.height,
    right: (frame.width - x - width) / frame.width,
    bottom: (frame.height - y - height) / frame.height,
  };
}
