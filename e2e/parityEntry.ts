// Bundled for the browser by parity.spec.ts: lays out and paints demo templates there and gives a figure for the pixels.
import { Painter } from '@/paint/painter';
import { browserSurfaces } from '@/ui/picture/browserSurfaces';
import { pageFonts } from './pageFonts';
import type { ParityCase } from './parityCases';
import { parityList } from './parityCases';

async function paintAll(cases: readonly ParityCase[]): Promise<string[]> {
  const fonts = await pageFonts();
  const painter = new Painter(browserSurfaces);
  const figures: string[] = [];
  for (const one of cases) {
    const canvas = document.createElement('canvas');
    const list = parityList(one, fonts);
    canvas.width = list.widthPx;
    canvas.height = list.heightPx;
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (context === null) throw new Error('no canvas');
    painter.paint(context, list);
    const { data } = context.getImageData(0, 0, list.widthPx, list.heightPx);
    const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', data));
    figures.push([...hash].map((byte) => byte.toString(16).padStart(2, '0')).join(''));
  }
  return figures;
}

Reflect.set(window, 'paintAll', paintAll);
