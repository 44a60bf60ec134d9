'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { sampleTemplate } from '@/core/edit/sampleTexts';
import type { FieldValues } from '@/core/model/template';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { TitleTiming } from '@/core/titleTime/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { sayNote } from '@/core/timeline/layerNotes';
import { useBackdrop } from '../../picture/backdrop';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { useCompiled } from '../../picture/useCompiled';
import { useElementSize } from '../../picture/useElementSize';
import { BackdropMenu } from './BackdropMenu';
import { useBench, useTemplate } from '../state/benchStore';
import { TypingBox } from './TypingBox';
import { WellOverlay } from './WellOverlay';

interface Props {
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly values: FieldValues;
  readonly sampleId: string;
  readonly seconds: number;
  readonly timing: TitleTiming;
  readonly guides: boolean;
  readonly typing: boolean;
  readonly onTyping: (typing: boolean) => void;
}

const MARGIN_PX = 18;

/** The picture on the bench: the design over a stand-in picture, where layers are picked, dragged and typed into. */
export function PictureWell(props: Props) {
  const { format, fonts, values, sampleId, seconds, timing, guides, typing, onTyping } = props;
  const template = useTemplate();
  const { selected, boxes, picking } = useBench();
  const backdrop = useBackdrop(template.backdrop);
  const [area, size] = useElementSize<HTMLDivElement>();
  const { widthU, heightU } = pictureSize(format);
  const fit = Math.min((size.width - 2 * MARGIN_PX) / widthU, (size.height - 2 * MARGIN_PX) / heightU);
  const widthCss = Math.max(160, Math.floor(widthU * Math.max(0, fit)));
  const heightCss = Math.round((widthCss * heightU) / widthU);
  const [frozen, setFrozen] = useState(false);
  const [dpr] = useState(() => (typeof window === 'undefined' ? 1 : Math.min(2, window.devicePixelRatio)));
  const shown = useMemo(() => previewFormat(format, widthCss * dpr), [format, widthCss, dpr]);
  const { title, problem } = useCompiled(sampleTemplate(template, sampleId), values, shown, fonts);
  const lists = useMemo(
    () => (title === null ? [] : [title.frame(seconds, timing)]),
    [title, seconds, timing],
  );
  const layer = template.layers.find((one) => one.id === selected);
  const well = useRef<HTMLDivElement>(null);
  const placed = useMemo(() => title?.boxesAt(seconds, timing) ?? null, [title, seconds, timing]);
  const corners = useMemo(() => title?.cornersAt(seconds, timing) ?? null, [title, seconds, timing]);
  const here = useMemo(() => (title && placed ? { ...title, boxes: placed } : null), [title, placed]);
  useEffect(() => {
    if (placed !== null) boxes.write(placed);
  }, [placed, boxes]);
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
    <section aria-label="Picture" className="flex min-h-0 flex-1 flex-col bg-well">
      <div ref={area} className="relative grid min-h-0 flex-1 place-items-center overflow-hidden">
        <div ref={well} className="relative" style={{ width: widthCss, height: heightCss }}>
          <PictureCanvas
            format={shown}
            backdrop={backdrop}
            backdropSeconds={(frozen ? 0 : seconds) + 1}
            lists={lists}
            label={`${template.name} over the picture`}
            className="block h-full w-full"
          />
          {here !== null && corners !== null && (
            <WellOverlay
              title={here}
              corners={corners}
              scale={scale}
              guides={guides}
              typing={typing}
              onTyping={onTyping}
              colourAt={colourAt}
            />
          )}
          {title !== null && typing && layer?.kind === 'text' && (
            <TypingBox
              layer={layer}
              box={here?.boxes.get(layer.id)}
              scale={scale}
              onDone={() => onTyping(false)}
            />
          )}
        </div>
      </div>
      <div className="flex h-8 shrink-0 items-center justify-between px-4 text-[12px] text-[#c9c4b8]">
        <WellWords
          format={format}
          scale={fit}
          problem={picking === null ? problem : 'Click in the picture to take its colour'}
          notes={title?.notes.map(sayNote) ?? []}
        />
        <BackdropMenu frozen={frozen} onFrozen={setFrozen} />
      </div>
    </section>
  );
}

interface WordsProps {
  readonly format: FrameFormat;
  readonly scale: number;
  readonly problem: string;
  readonly notes: readonly string[];
}

/** Under the picture: why it cannot be laid out, else what its layout had to do, else what is shown. */
function WellWords({ format, scale, problem, notes }: WordsProps) {
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
    <span className="font-mono">
      {`${format.label} ${format.shapeLabel} · ${format.widthPx} × ${format.heightPx} · shown at ${Math.round(Math.max(0, scale) * 100)} %`}
    </span>
  );
}
