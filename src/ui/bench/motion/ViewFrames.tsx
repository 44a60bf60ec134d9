'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { FramedView } from '@/core/edit/framedViews';
import { keptInside, viewRect, zoomOf } from '@/core/edit/framedViews';
import type { PictureSize } from '@/core/layers/layerKind';
import type { Rect } from '@/core/kit/rect';
import type { PictureView } from '@/core/model/template';

interface Props {
  readonly asset: string | null;
  readonly size: PictureSize;
  /** What the picture fills in the title, whose proportions a view has. */
  readonly box: Rect;
  readonly views: readonly FramedView[];
  /** Which of them is chosen, by its place among them. */
  readonly chosen: number;
  readonly onChoose: (which: number) => void;
  readonly onChange: (which: number, view: PictureView) => void;
  readonly onStart: () => void;
  readonly onEnd: () => void;
  readonly onRemove: (which: number) => void;
}

interface Drag {
  readonly which: number;
  readonly part: 'whole' | 'corner';
  readonly from: { readonly x: number; readonly y: number };
  readonly view: PictureView;
}

const STEP = 0.01;
const ZOOM_STEP = 1.05;

/** The whole picture with the frames of its views: a frame is dragged, and sized by its corner or with + and −. */
export function ViewFrames(props: Props) {
  const { asset, size, box, views, chosen, onChoose, onChange, onStart, onEnd, onRemove } = props;
  const area = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const shareOf = ({ clientX, clientY }: PointerEvent): { x: number; y: number } => {
    const { left, top, width, height } = area.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
    return { x: (clientX - left) / width, y: (clientY - top) / height };
  };
  const keep = (which: number, view: PictureView): void => onChange(which, keptInside(view, size, box));
  const move = (event: PointerEvent): void => {
    if (drag === null) return;
    const at = shareOf(event);
    const { view, from } = drag;
    if (drag.part === 'whole') {
      keep(drag.which, { ...view, x: view.x + at.x - from.x, y: view.y + at.y - from.y });
      return;
    }
    // About its middle, as wide as twice the way from there to the pointer, or as high.
    const { width, height } = viewRect({ ...view, zoom: 1 }, size, box);
    const wide = Math.max(Math.abs(at.x - view.x), (Math.abs(at.y - view.y) * width) / height);
    keep(drag.which, { ...view, zoom: zoomOf(2 * wide, size, box) });
  };
  const end = (): void => {
    if (drag === null) return;
    setDrag(null);
    onEnd();
  };
  const start = (event: PointerEvent, which: number, part: Drag['part']): void => {
    if (event.button !== 0) return;
    event.stopPropagation();
    area.current?.setPointerCapture(event.pointerId);
    onChoose(which);
    onStart();
    setDrag({ which, part, from: shareOf(event), view: views[which].view });
  };
  const onKeyDown = (event: KeyboardEvent, which: number): void => {
    const { view } = views[which];
    const step = STEP * (event.shiftKey ? 10 : 1);
    const changed: Readonly<Partial<Record<string, PictureView>>> = {
      ArrowLeft: { ...view, x: view.x - step },
      ArrowRight: { ...view, x: view.x + step },
      ArrowUp: { ...view, y: view.y - step },
      ArrowDown: { ...view, y: view.y + step },
      '+': { ...view, zoom: view.zoom * ZOOM_STEP },
      '=': { ...view, zoom: view.zoom * ZOOM_STEP },
      '-': { ...view, zoom: view.zoom / ZOOM_STEP },
    };
    const next = changed[event.key];
    if (next !== undefined) keep(which, next);
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove(which);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={area}
      className="relative w-full touch-none overflow-hidden rounded-lg border border-line-strong bg-well"
      style={{ aspectRatio: `${size.widthPx} / ${size.heightPx}` }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {asset !== null && (
        // eslint-disable-next-line @next/next/no-img-element -- an asset of the user's own, from this server
        <img
          src={`/api/assets/${encodeURIComponent(asset)}`}
          alt=""
          draggable={false}
          className="h-full w-full"
        />
      )}
      {views.map(({ view }, which) => (
        <ViewFrame
          key={which}
          number={which + 1}
          view={view}
          rect={viewRect(view, size, box)}
          chosen={which === chosen}
          onFocus={() => onChoose(which)}
          onStart={(event, part) => start(event, which, part)}
          onKeyDown={(event) => onKeyDown(event, which)}
        />
      ))}
    </div>
  );
}

interface FrameProps {
  readonly number: number;
  readonly view: PictureView;
  /** In shares of the picture's width and height. */
  readonly rect: Rect;
  readonly chosen: boolean;
  readonly onFocus: () => void;
  readonly onStart: (event: PointerEvent, part: Drag['part']) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

const percent = (share: number): string => `${share * 100}%`;

function ViewFrame({ number, view, rect, chosen, onFocus, onStart, onKeyDown }: FrameProps) {
  const says = [view.x, view.y, view.zoom].map((one) => `${Math.round(one * 100)} %`);
  return (
    <button
      type="button"
      aria-label={`View ${number}: middle at ${says[0]} across and ${says[1]} down, size ${says[2]}`}
      aria-pressed={chosen}
      title="Drag it; + and − size it, arrow keys move it, Delete removes it"
      onFocus={onFocus}
      onPointerDown={(event) => onStart(event, 'whole')}
      onKeyDown={onKeyDown}
      className={`absolute cursor-move outline-none ${chosen ? 'z-10 border-2 border-[#e5c579] shadow-[0_0_0_1px_#0009,0_0_0_999px_#0005]' : 'border border-dashed border-white shadow-[0_0_0_1px_#0009]'} focus-visible:shadow-[0_0_0_3px_#e5c579]`}
      style={{
        left: percent(rect.x),
        top: percent(rect.y),
        width: percent(rect.width),
        height: percent(rect.height),
      }}
    >
      <span
        className={`absolute top-0 left-0 min-w-4 px-1 text-[11px] leading-4 font-semibold ${chosen ? 'bg-[#e5c579] text-[#2a210b]' : 'bg-black/70 text-white'}`}
      >
        {number}
      </span>
      {chosen && (
        <span
          data-grip="view"
          className="absolute -right-1 -bottom-1 h-3.5 w-3.5 cursor-nwse-resize rounded-sm border border-[#8a6a1f] bg-[#fff8e6]"
          onPointerDown={(event) => onStart(event, 'corner')}
        />
      )}
    </button>
  );
}
