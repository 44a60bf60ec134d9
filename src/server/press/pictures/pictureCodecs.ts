import type { Output, PictureKind } from '@/core/outputs/output';
import { encodeExr } from './exr';
import type { PaintedPicture } from './picture';
import { encodePng } from './png';
import { encodeTga } from './tga';
import { encodeTiff } from './tiff';

interface PictureCodec {
  readonly extension: Output['extension'];
  encode(picture: PaintedPicture): Buffer;
}

/** How pictures are written, by kind. */
export const PICTURE_CODECS: Readonly<Record<PictureKind, PictureCodec>> = {
  png: {
    extension: 'png',
    encode: ({ pixels, widthPx, heightPx, pixelAspect, studio }) =>
      encodePng(pixels, widthPx, heightPx, pixelAspect, studio),
  },
  tiff: { extension: 'tif', encode: encodeTiff },
  tga: { extension: 'tga', encode: encodeTga },
  exr: { extension: 'exr', encode: encodeExr },
};
