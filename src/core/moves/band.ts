import { defineMove } from './move';
import { from } from './part';

export const band = defineMove({
  id: 'band',
  label: 'Scroll a band to the last line',
  params: [],
  suits: { ease: 'glide' },
  needs: 'letters',
  // The lines run through a window as high as the last one and stop there; the window stays.
  plan: ({ layer, lastLine }) => ({
    parts: [from('yU', lastLine.y + lastLine.height - layer.y)],
    mask: { kind: 'window', rect: { ...lastLine, x: layer.x, width: layer.width } },
  }),
});
