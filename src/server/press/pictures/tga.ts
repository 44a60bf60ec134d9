import type { PaintedPicture } from './picture';

const HEADER_BYTES = 18;
const FOOTER_BYTES = 26;
const EXTENSION_BYTES = 495;
/** True colour in runs. */
const RUN_LENGTH_TRUE_COLOUR = 10;
const BITS = 32;
/** Eight bits of alpha, first row at the top. */
const DESCRIPTOR = 0x28;
const MOST_IN_RUN = 128;
// What alpha is (TGA 2.0, field 24).
const STRAIGHT = 3;
const PREMULTIPLIED = 4;

/** RGBA pixels of 8 bits a channel as a TGA file (TGA 2.0), in runs, with its extension area. */
export function encodeTga({ pixels, widthPx, heightPx, pixelAspect, plane }: PaintedPicture): Buffer {
  const header = Buffer.alloc(HEADER_BYTES);
  header[2] = RUN_LENGTH_TRUE_COLOUR;
  header.writeUInt16LE(widthPx, 12);
  header.writeUInt16LE(heightPx, 14);
  header[16] = BITS;
  header[17] = DESCRIPTOR;
  const rows = Array.from({ length: heightPx }, (_, y) => packRow(pixels, y * widthPx, widthPx));
  const picture = Buffer.concat(rows);
  const extension = Buffer.alloc(EXTENSION_BYTES);
  extension.writeUInt16LE(EXTENSION_BYTES, 0);
  extension.writeUInt16LE(pixelAspect.across, 474);
  extension.writeUInt16LE(pixelAspect.down, 476);
  extension[494] = plane === 'premultiplied' ? PREMULTIPLIED : STRAIGHT;
  const footer = Buffer.alloc(FOOTER_BYTES);
  footer.writeUInt32LE(HEADER_BYTES + picture.length, 0);
  footer.write('TRUEVISION-XFILE.\0', 8, 'latin1');
  return Buffer.concat([header, picture, extension, footer]);
}

/** A row as runs of one colour and runs of different ones, none longer than 128 pixels. */
function packRow(pixels: PaintedPicture['pixels'], from: number, widthPx: number): Buffer {
  // At the worst every pixel stands alone, and every run has one byte before it.
  const out = Buffer.allocUnsafe(widthPx * 5);
  let at = 0;
  const put = (x: number): void => {
    const pixel = (from + x) * 4;
    out[at++] = pixels[pixel + 2];
    out[at++] = pixels[pixel + 1];
    out[at++] = pixels[pixel];
    out[at++] = pixels[pixel + 3];
  };
  const alike = (a: number, b: number): boolean => {
    const [i, j] = [(from + a) * 4, (from + b) * 4];
    return (
      pixels[i] === pixels[j] &&
      pixels[i + 1] === pixels[j + 1] &&
      pixels[i + 2] === pixels[j + 2] &&
      pixels[i + 3] === pixels[j + 3]
    );
  };
  for (let x = 0; x < widthPx;) {
    let end = x + 1;
    const most = Math.min(widthPx, x + MOST_IN_RUN);
    while (end < most && alike(x, end)) end++;
    if (end - x > 1) {
      out[at++] = 0x80 | (end - x - 1);
      put(x);
    } else {
      while (end < most && !(end + 1 < widthPx && alike(end, end + 1))) end++;
      out[at++] = end - x - 1;
      for (let one = x; one < end; one++) put(one);
    }
    x = end;
  }
  return out.subarray(0, at);
}
