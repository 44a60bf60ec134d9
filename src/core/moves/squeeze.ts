import { middleOf } from '../kit/rect';
import { defineMove } from './move';
import { from } from './part';

/** From as large as the whole frame, in its own proportions, to where it stands: as a picture makes room for others. */
export const squeeze = defineMove({
  id: 'squeeze',
  label: 'From the whole frame',
  params: [],
  suits: { ease: 'glide' },
  plan({ box, frame }) {
    const scale = Math.max(frame.width / Math.max(1, box.width), frame.height / Math.max(1, box.height));
    const [own, whole] = [middleOf(box), middleOf(frame)];
    return {
      parts: [
        from('xU', whole.x - own.x),
        from('yU', whole.y - own.y),
        from('scaleX', scale),
        from('scaleY', scale),
      ],
    };
  },
});
