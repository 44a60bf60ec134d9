import type { Point, Rect } from '@/core/kit/rect';
import type { FrameFormat } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';

/** Title safe, action safe, and for pictures wider than 4:3 the centre cut. */
export function SafeLines({ format, scale }: { readonly format: FrameFormat; readonly scale: number }) {
  const title = safeArea(format, 'titleSafe');
  const action = safeArea(format, 'actionSafe');
  const cut = safeArea(format, 'centreCut');
  return (
    <g
      fill="none"
      stroke="#ffffff"
      strokeWidth={1 / scale}
      strokeDasharray={`${4 / scale} ${3 / scale}`}
      pointerEvents="none"
    >
      <rect {...action} opacity="0.45" />
      <rect {...title} opacity="0.85" />
      {cut.x > 1 && (
        <g opacity="0.3">
          <line x1={cut.x} x2={cut.x} y1={0} y2={cut.height} />
          <line x1={cut.x + cut.width} x2={cut.x + cut.width} y1={0} y2={cut.height} />
        </g>
      )}
    </g>
  );
}

interface LineProps {
  readonly x1: number;
  readonly x2: number;
  readonly y1: number;
  readonly y2: number;
  readonly scale: number;
}

/** A line that a drag has stopped at. */
export function SnapGuide({ scale, ...line }: LineProps) {
  return <line {...line} stroke="#d9b45a" strokeWidth={1.25 / scale} pointerEvents="none" />;
}

interface DistanceProps {
  readonly box: Rect;
  readonly area: Rect;
  readonly scale: number;
}

/** How far a dragged box is from the nearer edges of the title-safe area. */
export function Distances({ box, area, scale }: DistanceProps) {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const toLeft = box.x - area.x;
  const toRight = area.x + area.width - box.x - box.width;
  const toTop = box.y - area.y;
  const toBottom = area.y + area.height - box.y - box.height;
  const across =
    Math.abs(toLeft) <= Math.abs(toRight)
      ? { x1: area.x, x2: box.x, by: toLeft }
      : { x1: box.x + box.width, x2: area.x + area.width, by: toRight };
  const down =
    Math.abs(toTop) <= Math.abs(toBottom)
      ? { y1: area.y, y2: box.y, by: toTop }
      : { y1: box.y + box.height, y2: area.y + area.height, by: toBottom };
  const line = { stroke: '#8fd0c0', strokeWidth: 1 / scale };
  return (
    <g pointerEvents="none">
      <line x1={across.x1} x2={across.x2} y1={middle.y} y2={middle.y} {...line} />
      <line x1={middle.x} x2={middle.x} y1={down.y1} y2={down.y2} {...line} />
      <Figure x={(across.x1 + across.x2) / 2} y={middle.y - 5 / scale} value={across.by} scale={scale} />
      <Figure x={middle.x + 5 / scale} y={(down.y1 + down.y2) / 2} value={down.by} scale={scale} />
    </g>
  );
}

function Figure({ x, y, value, scale }: { x: number; y: number; value: number; scale: number }) {
  if (Math.abs(value) < 0.5) return null;
  return (
    <text
      x={x}
      y={y}
      fontSize={11 / scale}
      className="fill-[#bfeee2] font-mono"
      stroke="#000"
      strokeWidth={3 / scale}
      paintOrder="stroke"
    >
      {Math.round(value)}
    </text>
  );
}

interface FrameProps {
  /** Where the layer's corners are seen, and the point that it turns and scales about. */
  readonly corners: readonly Point[];
  readonly point: Point;
  readonly scale: number;
  /** Whether this is the layer whose settings are shown. */
  readonly main: boolean;
}

/** The frame round a chosen layer, where it is seen: turned, scaled, pinned and tipped with it. */
export function SelectionFrame({ corners, point, scale, main }: FrameProps) {
  const points = corners.map(({ x, y }) => `${x},${y}`).join(' ');
  const line = { points, fill: 'none', vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <g pointerEvents="none">
      <polygon {...line} stroke="#000" opacity="0.35" strokeWidth={3} />
      <polygon {...line} stroke="#d9b45a" strokeWidth={1.25} strokeDasharray={main ? undefined : '5 3'} />
      <circle cx={point.x} cy={point.y} r={4 / scale} fill="#d9b45a" />
    </g>
  );
}

interface FigureProps {
  readonly at: Point;
  readonly scale: number;
  readonly children: string;
}

/** What a drag has come to, beside the pointer. */
export function PointerFigure({ at, scale, children }: FigureProps) {
  return (
    <text
      x={at.x + 14 / scale}
      y={Math.max(at.y - 12 / scale, 16 / scale)}
      fontSize={12 / scale}
      className="pointer-events-none fill-white font-mono"
      stroke="#000"
      strokeWidth={3 / scale}
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}

/** What is drawn round layers to choose them. */
export function BandMark({ band, scale }: { readonly band: Rect; readonly scale: number }) {
  return (
    <rect
      {...band}
      fill="#d9b45a22"
      stroke="#d9b45a"
      strokeWidth={1 / scale}
      strokeDasharray={`${4 / scale} ${3 / scale}`}
      pointerEvents="none"
    />
  );
}
