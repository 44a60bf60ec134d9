'use client';
import { setPropertyIn } from '@/core/edit/editInFormat';
import type { PointName } from '@/core/frame/points';
import type { FieldValue } from '@/core/model/template';
import { useApply, useBench } from '../state/benchStore';
import { useEditing } from '../state/useEditing';

const DOCKS: readonly { readonly label: string; readonly own: PointName; readonly its: PointName }[] = [
  { label: 'Above', own: 'bottomLeft', its: 'topLeft' },
  { label: 'Below', own: 'topLeft', its: 'bottomLeft' },
  { label: 'Left', own: 'right', its: 'left' },
  { label: 'Right', own: 'left', its: 'right' },
  { label: 'On it', own: 'centre', its: 'centre' },
];

/** Puts the chosen layers right beside what they are attached to. */
export function DockRow() {
  const apply = useApply();
  const { selection } = useBench();
  const { place } = useEditing();
  const dock = (own: PointName, its: PointName): void => {
    const settings: readonly (readonly [string, FieldValue])[] = [
      ['place.point', own],
      ['place.targetPoint', its],
      ['place.dxU', 0],
      ['place.dyU', 0],
    ];
    apply((now) =>
      selection.reduce(
        (done, id) =>
          settings.reduce((one, [path, value]) => setPropertyIn(one, place, id, path, value), done),
        now,
      ),
    );
  };
  return (
    <div className="flex items-center gap-2 py-1">
      <span className="shrink-0 text-soft">Dock</span>
      <span role="group" aria-label="Dock" className="grid min-w-0 flex-1 grid-cols-5 gap-1">
        {DOCKS.map(({ label, own, its }) => (
          <button
            key={label}
            type="button"
            title={label === 'On it' ? 'Middle on middle' : `Edge to edge, ${label.toLowerCase()}`}
            onClick={() => dock(own, its)}
            className="h-8 rounded-lg border border-line-strong bg-field text-[12px] hover:border-soft"
          >
            {label}
          </button>
        ))}
      </span>
    </div>
  );
}
