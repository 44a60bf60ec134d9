'use client';
import { useMemo } from 'react';
import type { Title } from '@/core/model/project';
import { paintedFormat } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { titleFrame, titleIn } from '@/core/project/deliver';
import { spanAt } from '@/core/project/lanes';
import { restingFrame, stretchTiming } from '@/core/titleTime/stretch';
import { frameToSeconds } from '@/core/time/rates';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { useClipBackdrop } from '../../picture/useClipBackdrop';
import { useFonts } from '../../picture/useFonts';
import { useClips, useDelivery, useDesk } from '../deskContext';
import { useTitleCompiler } from '../useTitleCompiler';
import type { Delivery } from '@/core/model/plan';

interface Props {
  readonly title: Title;
  readonly label: string;
  /** In CSS pixels. */
  readonly width?: number;
  /** The delivery that is shown on the desk when left out. */
  readonly delivery?: Delivery;
  /** The title's own frame that is shown; one at rest when left out. */
  readonly frame?: number;
}

/** A title, at rest or at one of its frames, over its picture, as a delivery has it. */
export function TitleShot({ title, label, width = 330, delivery, frame }: Props) {
  const { editions, rate } = useDesk();
  const shownDelivery = useDelivery();
  const wanted = delivery ?? shownDelivery;
  const clips = useClips();
  const fonts = useFonts();
  const format = useMemo(() => {
    const whole = paintedFormat(wanted.format, wanted.interlaced);
    const small = previewFormat(whole, width);
    const tallest = width * 0.75;
    return small.heightPx <= tallest ? small : previewFormat(whole, (width * tallest) / small.heightPx);
  }, [wanted.format, wanted.interlaced, width]);
  const shown = useMemo(() => titleIn(title, wanted.id), [title, wanted.id]);
  const seen = useMemo(() => (shown === null ? [] : [shown]), [shown]);
  const compiler = useTitleCompiler(format, fonts, seen);
  const template = editions.get(title.editionId)?.document;
  const resting = frame ?? (template === undefined ? 0 : restingFrameOf(title, template.timing, rate));
  const clip = spanAt(clips, title.startFrame + resting);
  const seconds =
    clip === undefined
      ? 0
      : frameToSeconds(title.startFrame + resting - clip.startFrame + clip.sourceStartFrame, rate);
  const backdrop = useClipBackdrop(clip?.picture, seconds);
  const lists = useMemo(() => {
    const compiled = shown === null ? null : compiler(shown);
    return compiled === null || shown === null || template === undefined
      ? []
      : [titleFrame(compiled, shown, template, rate, resting)];
  }, [compiler, shown, template, rate, resting]);
  return (
    <figure className="min-w-0">
      <div className="grid place-items-center rounded-lg bg-well p-1.5">
        <PictureCanvas
          format={format}
          backdrop={backdrop}
          backdropSeconds={seconds}
          lists={lists}
          label={label}
          className="block max-w-full"
        />
      </div>
      <figcaption className="pt-1 text-[12px] text-soft">
        {shown === null ? `${label}: left out` : label}
      </figcaption>
    </figure>
  );
}

function restingFrameOf(
  title: Title,
  timing: Parameters<typeof stretchTiming>[0],
  rate: Parameters<typeof stretchTiming>[2],
): number {
  return restingFrame(stretchTiming(timing, title.lengthFrames, rate));
}
