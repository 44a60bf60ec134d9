'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Template } from '@/core/model/template';
import { FORMATS, pictureSize } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, RATES, secondsToFrame, secondsToNearestFrames } from '@/core/time/rates';
import { fromDesignSeconds } from '@/core/titleTime/moments';
import type { TitleTiming } from '@/core/titleTime/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { useBackdrop } from '../picture/backdrop';
import { PictureCanvas } from '../picture/PictureCanvas';
import { useCompiled } from '../picture/useCompiled';

interface Props {
  readonly template: Template;
  readonly formatId: string;
  readonly fonts: FontLibrary | null;
  readonly widthPx: number;
  /** While true it plays from the start, round and round; otherwise it rests. */
  readonly playing: boolean;
}

const NO_VALUES = {};

/** A template at rest, or playing; its empty frame until its document is here. Nothing runs while it rests. */
export function TitlePreview({
  template,
  formatId,
  ...rest
}: Omit<Props, 'template'> & { readonly template: Template | null }) {
  const { widthU, heightU } = pictureSize(FORMATS.get(formatId));
  return (
    <span className="relative block w-full bg-well" style={{ aspectRatio: `${widthU} / ${heightU}` }}>
      {template !== null && <Preview template={template} formatId={formatId} {...rest} />}
    </span>
  );
}

function Preview({ template, formatId, fonts, widthPx, playing }: Props) {
  const rate = RATES.get(template.rate);
  const format = FORMATS.get(formatId);
  const shown = useMemo(() => previewFormat(format, widthPx * 1.5), [format, widthPx]);
  const timing = useMemo(
    () => stretchTiming(template.timing, designFrames(template.timing, rate), rate),
    [template, rate],
  );
  const frame = useLoop(playing, timing.totalFrames, rate) ?? coverFrame(template, timing, rate);
  const { title } = useCompiled(template, NO_VALUES, shown, fonts);
  const backdrop = useBackdrop(template.backdrop);
  const seconds = frameToSeconds(frame, rate);
  const lists = useMemo(
    () => (title === null ? [] : [title.frame(seconds, timing)]),
    [title, seconds, timing],
  );
  return (
    <PictureCanvas
      format={shown}
      backdrop={backdrop}
      backdropSeconds={1 + seconds}
      lists={lists}
      label={`${template.name}, ${format.label}`}
      className="absolute inset-0 h-full w-full"
    />
  );
}

/** The frame that a template rests at: its own, or that at which all of it is there. */
function coverFrame({ coverSeconds, timing }: Template, title: TitleTiming, rate: FrameRate): number {
  if (coverSeconds === undefined) return title.inFrames;
  const seconds = fromDesignSeconds(coverSeconds, timing, title);
  return Math.min(title.totalFrames - 1, secondsToNearestFrames(seconds, rate));
}

function useLoop(playing: boolean, frames: number, rate: FrameRate): number | null {
  const [frame, setFrame] = useState<number | null>(null);
  useEffect(() => {
    if (!playing) return;
    const startedAt = performance.now();
    let request = requestAnimationFrame(function step(now) {
      setFrame(secondsToFrame(Math.max(0, now - startedAt) / 1000, rate) % frames);
      request = requestAnimationFrame(step);
    });
    return () => {
      cancelAnimationFrame(request);
      setFrame(null);
    };
  }, [playing, frames, rate]);
  return playing ? frame : null;
}
