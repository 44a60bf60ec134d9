import type { Outline } from '../display/outline';
import {
  ellipseOutline,
  rectOutline,
  regularPolygonOutline,
  roundedRectOutline,
  starOutline,
} from '../display/shapes';
import { assertNever } from '../kit/assertNever';
import { mapPoint, turnedAbout } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, middleOf } from '../kit/rect';
import type { ParticleForm } from '../model/template';

/** The outline of a particle in a square, turned clockwise about its middle. */
export function particleOutline(form: ParticleForm, rect: Rect, turnRadians: number): Outline {
  const outline = uprightOutline(form, rect);
  // A disc and a ring look the same however they are turned.
  return turnRadians === 0 || form === 'disc' || form === 'ring'
    ? outline
    : turnOutline(outline, rect, turnRadians);
}

function uprightOutline(form: ParticleForm, rect: Rect): Outline {
  switch (form) {
    case 'disc':
      return ellipseOutline(rect);
    case 'square':
      return rectOutline(rect);
    case 'triangle':
      return regularPolygonOutline(rect, 3);
    case 'star':
      return starOutline(rect, 5, 0.42);
    case 'ring':
      return ringOutline(rect);
    case 'streak': {
      const across = rect.width / 8;
      return roundedRectOutline(
        { ...rect, x: rect.x + rect.width / 2 - across / 2, width: across },
        across / 2,
      );
    }
    default:
      return assertNever(form, 'form of particles');
  }
}

/** Two circles, the inner one turning the other way, so that it is left open. */
function ringOutline(rect: Rect): Outline {
  const outer = ellipseOutline(rect);
  const inner = ellipseOutline(growRect(rect, -rect.width * 0.18));
  const middle = middleOf(rect);
  return {
    verbs: outer.verbs + inner.verbs,
    coords: [
      ...outer.coords,
      ...inner.coords.map((value, i) => (i % 2 === 0 ? 2 * middle.x - value : value)),
    ],
  };
}

function turnOutline({ verbs, coords }: Outline, rect: Rect, turnRadians: number): Outline {
  const turn = turnedAbout(middleOf(rect), turnRadians);
  const turned: number[] = [];
  for (let i = 0; i < coords.length; i += 2) {
    const { x, y } = mapPoint(turn, { x: coords[i], y: coords[i + 1] });
    turned.push(x, y);
  }
  return { verbs, coords: turned };
}
