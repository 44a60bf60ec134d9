'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { shownAlone } from '@/core/edit/shownAlone';
import { sampleTemplate } from '@/core/edit/sampleTexts';
import type { FieldValues } from '@/core/model/template';
import type { Point } from '@/core/kit/rect';
import { middleOf } from '@/core/kit/rect';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';
import { boxesAsDrawn } from '@/core/mirror/mirrorTemplate';
import { previewFormat } from '@/core/frame/previewFormat';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { sayNote } from '@/core/timeline/layerNotes';
import { useBackdrop } from '../../picture/backdrop';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { useCompiled } from '../../picture/useCompiled';
import { useElementSize } from '../../picture/useElementSize';
import { BackdropMenu } from './BackdropMenu';
import { noteMoveTimes, useBench, useTemplate } from '../state/benchStore';
import { TypingBox } from './TypingBox';
import type { WellZoom } from './useWellZoom';
import { useTitleFrames } from './useTitleFrames';
import { useWellZoom } from './useWellZoom';
import type { PlayedTitle } from '../timeline/useTitleTime';
import { loopFrames } from '../timeline/useTitleTime';
import { WellOverlay } from './WellOverlay';

interface Props {
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly values: FieldValues;
  readonly sampleId: string;
  readonly played: PlayedTitle;
  readonly guides: boolean;
  /** Names of the fields whose words are only tried. */
  readonly tried: readonly string[];
  readonly onEndTrying: () => void;
}

const MARGIN_PX = 18;
/** From this scale on single pixels are shown. */
const PIXELS_FROM = 4;

/** The picture on the bench: the design over a stand-in picture, where layers are picked, dragged and typed into. */
export function PictureWell(props: Props) {
  const { format, fonts, values, sampleId, played, guides, tried, onEndTrying } = props;
  const { time, player, seconds } = played;
  const { timing } = time;
  const template = useTemplate();
  const view = useBench();
  const { selected, boxes, moveTimes, picking, solo, setSolo, typing, type } = view;
  const backdrop = useBackdrop(template.backdrop);
  const [area, size] = useElementSize<HTMLDivElement>();
  const { widthU, heightU } = pictureSize(format);
  const well = useRef<HTMLDivElement>(null);
  const fitting = Math.min((size.width - 2 * MARGIN_PX) / widthU, (size.height - 2 * MARGIN_PX) / heightU);
  const middleOfSelected = (): Point | null => {
    const box = boxes.readSeen().get(selected ?? '');
    return box === undefined ? null : middleOf(box);
  };
  const zoom = useWellZoom({ area, picture: well, about: middleOfSelected }, fitting);
  const widthCss = Math.max(zoom.fits ? 160 : 1, Math.floor(widthU * zoom.scale));
  const heightCss = Math.round((widthCss * heightU) / widthU);
  const [frozen, setFrozen] = useState(false);
  const [dpr] = useState(() => (typeof window === 'undefined' ? 1 : Math.min(2, window.devicePixelRatio)));
  // Larger than it is the picture shows its own pixels.
  const widthPx = Math.min(widthCss * dpr, Math.max(format.widthPx, widthU));
  const shown = useMemo(() => previewFormat(format, widthPx), [format, widthPx]);
  const { title, problem } = useCompiled(sampleTemplate(template, sampleId), values, shown, fonts);
  const only = useMemo(() => (solo === null ? undefined : shownAlone(template, solo)), [template, solo]);
  const { playing, frame } = player;
  // What the programme shows is another picture in each frame, so nothing of such a title can be kept.
  const keeps = template.layers.every(({ kind }) => kind !== 'programme');
  const frames = useTitleFrames({
    ...{ title: keeps ? title : null, timing, only, playing, rate: time.rate },
    ...loopFrames(time.loop, timing),
  });
  useEffect(() => view.frames.setState(frames, true), [view.frames, frames]);
  const kept = useMemo(
    () =>
      playing && frames !== null
        ? (context: CanvasRenderingContext2D) => frames.paint(context, frame)
        : undefined,
    [playing, frames, frame],
  );
  const lists = useMemo(
    () => (title === null || (playing && keeps) ? [] : [title.frame(seconds, timing, only)]),
    [title, playing, keeps, seconds, timing, only],
  );
  const layer = template.layers.find((one) => one.id === selected);
  const placed = useMemo(() => title?.boxesAt(seconds, timing) ?? null, [title, seconds, timing]);
  const corners = useMemo(() => title?.cornersAt(seconds, timing) ?? null, [title, seconds, timing]);
  const here = useMemo(() => (title && placed ? { ...title, boxes: placed } : null), [title, placed]);
  useEffect(() => {
    if (title === null || placed === null) return;
    const { mirrored } = title;
    boxes.write(boxesAsDrawn(placed, mirrored, safeArea(format, 'frame')), mirrored, placed);
  }, [title, placed, format, boxes]);
  useEffect(() => void (title && noteMoveTimes(moveTimes, title)), [title, moveTimes]);
  const colourAt = (x: number, y: number): string | null => {
    const canvas = well.current?.querySelector('canvas');
    const context = canvas?.getContext('2d', { willReadFrequently: true });
    if (!canvas || !context) return null;
    const perUnit = canvas.width / widthU;
    const [r, g, b] = context.getImageData(Math.floor(x * perUnit), Math.floor(y * perUnit), 1, 1).data;
    return `#${[r, g, b].map((part) => part.toString(16).padStart(2, '0')).join('')}`;
  };
  const scale = widthCss / widthU;
  return (
    <section aria-label="Picture" className="flex min-h-56 flex-1 flex-col bg-well">
      <div
        ref={area}
        className={`relative min-h-0 flex-1 ${zoom.fits ? 'overflow-hidden' : 'overflow-auto'}`}
        onPointerDown={startPanning}
      >
        {tried.length > 0 && <TriedMark fields={tried} onEnd={onEndTrying} />}
        <div
          className="grid h-max min-h-full w-max min-w-full place-items-center"
          style={{ padding: zoom.fits ? 0 : MARGIN_PX }}
        >
          <div ref={well} className="relative" style={{ width: widthCss, height: heightCss }}>
            <PictureCanvas
              format={shown}
              backdrop={backdrop}
              backdropSeconds={(frozen ? 0 : seconds) + 1}
              lists={lists}
              kept={kept}
              label={`${template.name} over the picture`}
              className={`block h-full w-full ${zoom.scale >= PIXELS_FROM ? '[image-rendering:pixelated]' : ''}`}
            />
            {here !== null && corners !== null && (
              <WellOverlay
                title={here}
                corners={corners}
                scale={scale}
                guides={guides}
                typing={typing}
                onTyping={type}
                colourAt={colourAt}
              />
            )}
            {title !== null && typing && layer?.kind === 'text' && (
              <TypingBox
                layer={layer}
                mirrored={title.mirrored.has(layer.id)}
                box={here?.boxes.get(layer.id)}
                scale={scale}
                onDone={() => type(false)}
              />
            )}
          </div>
        </div>
      </div>
      <div className="flex min-h-8 shrink-0 flex-wrap items-center justify-between px-4 text-[12px] text-[#c9c4b8]">
        <WellWords
          format={format}
          problem={picking === null ? problem : 'Click in the picture to take its colour'}
          notes={title?.notes.map(sayNote) ?? []}
          mirrored={(title?.mirrored.size ?? 0) > 0}
        />
        {solo !== null && (
          <button
            type="button"
            className="mr-4 font-semibold text-[#e5c579] underline"
            onClick={() => setSolo(null)}
          >
            Show all layers again
          </button>
        )}
        <ZoomButtons zoom={zoom} />
        <BackdropMenu frozen={frozen} onFrozen={setFrozen} />
      </div>
    </section>
  );
}

interface TriedProps {
  readonly fields: readonly string[];
  readonly onEnd: () => void;
}

/** Says on the picture that it shows words which are only tried, and ends that. */
function TriedMark({ fields, onEnd }: TriedProps) {
  return (
    <div className="sticky top-2 left-2 z-10 h-0 w-max max-w-full">
      <span className="flex items-center gap-2 rounded-lg bg-[#17191a] px-2.5 py-1 text-[12px] text-[#f0d9a2]">
        <span role="status" className="max-w-72 truncate">
          Tried on the card: {fields.join(', ')}
        </span>
        <button type="button" className="font-semibold underline" onClick={onEnd}>
          Back to the design’s words
        </button>
      </span>
    </div>
  );
}

interface WordsProps {
  readonly format: FrameFormat;
  readonly problem: string;
  readonly notes: readonly string[];
  readonly mirrored: boolean;
}

/** Under the picture: why it cannot be laid out, else what its layout had to do, else what is shown. */
function WellWords({ format, problem, notes, mirrored }: WordsProps) {
  if (problem !== '') {
    return (
      <span role="alert" className="min-w-0 flex-1 truncate pr-4 text-[#f0a197]" title={problem}>
        {problem}
      </span>
    );
  }
  if (notes.length > 0) {
    return (
      <span className="min-w-0 flex-1 truncate pr-4 text-[#e5c579]" title={notes.join('\n')}>
        {notes[0]}
        {notes.length > 1 && ` · and ${notes.length - 1} more`}
      </span>
    );
  }
  return (
    <span className="min-w-0 flex-1 truncate font-mono">
      {`${format.label} ${format.shapeLabel} · ${format.widthPx} × ${format.heightPx}${mirrored ? ' · mirrored' : ''}`}
    </span>
  );
}

function ZoomButtons({ zoom }: { readonly zoom: WellZoom }) {
  const button = 'grid h-6 min-w-6 place-items-center rounded px-1 hover:bg-white/10';
  return (
    <div role="group" aria-label="Zoom" className="mr-3 flex shrink-0 items-center">
      <button
        type="button"
        aria-label="Zoom out"
        title="Zoom out (−)"
        className={button}
        onClick={zoom.zoomOut}
      >
        −
      </button>
      <button
        type="button"
        aria-label={`Shown at ${Math.round(zoom.scale * 100)} %; fit the picture`}
        title="As large as there is room for (0); Ctrl and the wheel zoom at the pointer"
        className={`${button} w-14 font-mono`}
        onClick={zoom.fit}
      >
        {Math.round(zoom.scale * 100)} %
      </button>
      <button type="button" aria-label="Zoom in" title="Zoom in (+)" className={button} onClick={zoom.zoomIn}>
        +
      </button>
    </div>
  );
}

/** The middle button drags what is seen of a picture that is larger than its room. */
function startPanning(event: PointerEvent<HTMLElement>): void {
  if (event.button !== 1) return;
  event.preventDefault();
  const area = event.currentTarget;
  area.setPointerCapture(event.pointerId);
  const move = ({ movementX, movementY }: globalThis.PointerEvent): void =>
    area.scrollBy(-movementX, -movementY);
  const end = (): void => {
    area.removeEventListener('pointermove', move);
    area.removeEventListener('pointerup', end);
    area.removeEventListener('pointercancel', end);
  };
  area.addEventListener('pointermove', move);
  area.addEventListener('pointerup', end);
  area.addEventListener('pointercancel', end);
}
