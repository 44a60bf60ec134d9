'use client';
import { memo } from 'react';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { Clip } from '@/core/model/project';
import { frameToSeconds } from '@/core/time/rates';
import { PictureCanvas } from '../../picture/PictureCanvas';
import { useClipBackdrop } from '../../picture/useClipBackdrop';
import { useDesk } from '../deskContext';

export const THUMB_WIDTH_PX = 78;
const SHEET = previewFormat(FORMATS.get('wide-1080'), THUMB_WIDTH_PX * 2);

/** The first frame that a clip shows. */
export const Thumbnail = memo(function Thumbnail({ clip }: { readonly clip: Clip }) {
  const { rate } = useDesk();
  const seconds = frameToSeconds(clip.sourceStartFrame, rate);
  const backdrop = useClipBackdrop(clip.picture, seconds);
  return (
    <span aria-hidden="true" className="pointer-events-none absolute inset-y-0 left-0">
      <PictureCanvas
        format={SHEET}
        backdrop={backdrop}
        backdropSeconds={seconds}
        lists={NO_TITLES}
        label=""
        widthCss={THUMB_WIDTH_PX}
      />
    </span>
  );
});

const NO_TITLES: [] = [];
