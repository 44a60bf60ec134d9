'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import type { OwnArea } from '@/core/model/template';
import { FORMATS, pictureSize } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';
import { NumberBox } from '../shared/NumberBox';
import { SelectBox } from '../shared/SelectBox';
import type { SectionProps } from './HouseScreen';

const SIDES = ['left', 'top', 'right', 'bottom'] as const;

/** Title-safe areas that differ from the standards', by format: new templates start with them, checks go by them. */
export function AreasSection({ house, onChange }: SectionProps) {
  const { areas } = house;
  const free = FORMATS.list.filter(({ id }) => !areas.some(({ format }) => format === id));
  const set = (format: string, change: Partial<OwnArea>): void =>
    onChange({ areas: areas.map((one) => (one.format === format ? { ...one, ...change } : one)) });
  return (
    <>
      <p className="pb-3 text-soft">
        Where a format is not listed, the standards hold: 5 % all round for wide, 10 % for classic, and room
        for buttons in tall. A template may have areas of its own, which then count for it.
      </p>
      <ul className="grid gap-3">
        {areas.map((area) => {
          const format = FORMATS.get(area.format);
          return (
            <li key={area.format} className="flex items-center gap-3">
              <AreaPicture area={area} />
              <span className="w-28">{`${format.label} ${format.shapeLabel}`}</span>
              {SIDES.map((side) => (
                <span key={side} className="w-24">
                  <span className="caps">{side}</span>
                  <NumberBox
                    label={`${format.label}, ${side}`}
                    unit="%"
                    min={0}
                    max={45}
                    step={0.5}
                    value={area[side] * 100}
                    onChange={(value) => set(area.format, { [side]: value / 100 })}
                  />
                </span>
              ))}
              <button
                type="button"
                aria-label={`Back to the standard for ${format.label}`}
                className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
                onClick={() => onChange({ areas: areas.filter((one) => one.format !== area.format) })}
              >
                <TrashIcon className="h-4 w-4" />
              </button>
            </li>
          );
        })}
      </ul>
      {free.length > 0 && (
        <div className="w-64 pt-3">
          <SelectBox
            label="Add an area for a format"
            value=""
            onChange={(format) => format !== '' && onChange({ areas: [...areas, standardArea(format)] })}
            choices={[
              { value: '', label: 'Add an area for…' },
              ...free.map(({ id, label, shapeLabel }) => ({ value: id, label: `${label} ${shapeLabel}` })),
            ]}
          />
        </div>
      )}
    </>
  );
}

/** The standard's own margins, to start from. */
function standardArea(id: string): OwnArea {
  const format = FORMATS.get(id);
  const { widthU, heightU } = pictureSize(format);
  const { x, y, width, height } = safeArea(format, 'titleSafe');
  const share = (value: number): number => Number(value.toFixed(4));
  return {
    format: id,
    left: share(x / widthU),
    top: share(y / heightU),
    right: share(1 - (x + width) / widthU),
    bottom: share(1 - (y + height) / heightU),
  };
}

function AreaPicture({ area }: { readonly area: OwnArea }) {
  const { widthU, heightU } = pictureSize(FORMATS.get(area.format));
  const { x, y, width, height } = safeArea({ ...FORMATS.get(area.format), ownTitleSafe: area }, 'titleSafe');
  return (
    <svg viewBox={`0 0 ${widthU} ${heightU}`} className="h-14 w-20 shrink-0" aria-hidden="true">
      <rect width={widthU} height={heightU} className="fill-well" />
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill="none"
        stroke="#fff"
        strokeWidth={widthU / 90}
        strokeDasharray={`${widthU / 30} ${widthU / 50}`}
      />
    </svg>
  );
}
