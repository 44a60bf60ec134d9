'use client';
import { memo, useMemo } from 'react';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { PictureCanvas } from './PictureCanvas';
import { useClipBackdrop } from './useClipBackdrop';

interface Props {
  /** A clip's picture; black for none. */
  readonly picture: string | undefined;
  readonly seconds: number;
  readonly widthPx: number;
}

const NO_TITLES: [] = [];

/** A clip's picture at a time of its own, small and without titles: something to know it by. */
export const SmallPicture = memo(function SmallPicture({ picture, seconds, widthPx }: Props) {
  const format = useMemo(() => previewFormat(FORMATS.get('wide-1080'), widthPx * 2), [widthPx]);
  const backdrop = useClipBackdrop(picture, seconds);
  return (
    <PictureCanvas
      format={format}
      backdrop={backdrop}
      backdropSeconds={seconds}
      lists={NO_TITLES}
      label=""
      widthCss={widthPx}
      className="block"
    />
  );
});
