// Bundled for the browser by motion.ts: paints a moving title at full size with and without heavy effects.
import { barlow, place, text } from '../demo/layers';
import { motionSheet } from '../demo/moveTemplate';
import { pageFonts } from '../e2e/pageFonts';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import type { Template } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { browserSurfaces } from '@/ui/picture/browserSurfaces';

/** Two lines that come in whole: sliding only, or turned in depth, blurred by 16 px and with an open shutter. */
function template(heavy: boolean): Template {
  const uses = heavy
    ? [
        newMoveUse('focus', { lengthSeconds: 1, ease: 'even', params: { blurU: 64 } }),
        newMoveUse('turn', { lengthSeconds: 1, ease: 'even' }),
        newMoveUse('slide', { lengthSeconds: 1, ease: 'even', params: { distanceU: 400 } }),
      ]
    : [newMoveUse('slide', { lengthSeconds: 1, ease: 'even', params: { distanceU: 400 } })];
  const words = text({
    id: 'words',
    name: 'Words',
    reads: 'Bartholomew Quillfeather\nSteward of the Upper Weirs',
    style: barlow(700, 84, '#ffffff'),
    place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft'),
    motion: motionOf(uses, 'mirror', { shutterDegrees: heavy ? 180 : 0 }),
  });
  return motionSheet('Bench', words);
}

/** Milliseconds of each of the 25 frames of the in, at 1080p. */
async function measurePaint(heavy: boolean): Promise<number[]> {
  const design = template(heavy);
  const title = compile(design, {}, FORMATS.get('wide-1080'), await pageFonts());
  const timing = stretchTiming(design.timing, 75, RATES.get('25'));
  const canvas = document.createElement('canvas');
  canvas.width = 1920;
  canvas.height = 1080;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('no canvas');
  const painter = new Painter(browserSurfaces);
  return Array.from({ length: 25 }, (_, i) => {
    const from = performance.now();
    context.clearRect(0, 0, 1920, 1080);
    painter.paint(context, title.frame((i + 0.5) / 25, timing));
    // Reading a pixel waits until all is painted.
    context.getImageData(0, 0, 1, 1);
    return performance.now() - from;
  });
}

Reflect.set(window, 'measurePaint', measurePaint);
