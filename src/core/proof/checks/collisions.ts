import type { Rect } from '../../kit/rect';
import { intersectRects } from '../../kit/rect';
import { endOf, freeLane } from '../../project/lanes';
import { SHORTEST_FRAMES } from '../../time/rates';
import type { SeenTitle } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const collisionsCheck = defineCheck({
  kind: 'project',
  id: 'collisions',
  label: 'Collisions',
  about: 'Finds titles that are in the same lane at the same time, or whose words cover one another.',
  run(titles) {
    const found = new Map<string, Found[]>();
    const tell = (id: string, one: Found): void => void found.set(id, [...(found.get(id) ?? []), one]);
    const all = titles.map(({ context }) => context.title);
    const running: SeenTitle[] = [];
    for (const later of titles) {
      const start = later.context.title.startFrame;
      for (let i = running.length - 1; i >= 0; i--)
        if (endOf(running[i].context.title) <= start) running.splice(i, 1);
      for (const earlier of running) {
        const one = collision(earlier, later);
        if (one !== null) tell(later.context.title.id, withMends(one, earlier, later, all));
      }
      running.push(later);
    }
    return found;
  },
});

function collision(earlier: SeenTitle, later: SeenTitle): Found | null {
  const [a, b] = [earlier.context.title, later.context.title];
  // One track is seen at a time; what of one track meets is told by the captions' own checks.
  if (a.caption !== undefined && b.caption !== undefined) return null;
  const shared = Math.min(endOf(a), endOf(b)) - b.startFrame;
  const name = firstWords(earlier);
  if (a.lane === b.lane && a.caption === undefined && b.caption === undefined)
    return {
      tone: 'stop',
      subject: a.id,
      message: `meets “${name}”`,
      detail: `It is in the same lane as “${name}” for ${shared} frames.`,
      frame: 0,
    };
  const covered = [...later.covers].some(([delivery, rect]) => overlap(rect, earlier.covers.get(delivery)));
  if (!covered) return null;
  return {
    tone: 'stop',
    subject: a.id,
    message: `covers “${name}”`,
    detail: `Its words lie over those of “${name}” for ${shared} frames.`,
    frame: 0,
  };
}

function withMends(
  found: Found,
  earlier: SeenTitle,
  later: SeenTitle,
  all: Parameters<typeof freeLane>[0],
): Found {
  const [a, b] = [earlier.context.title, later.context.title];
  const after = {
    label: 'Start after it',
    change: { kind: 'title' as const, set: { startFrame: endOf(a) } },
  };
  const shorter = b.lengthFrames - (endOf(a) - b.startFrame);
  const lane = freeLane(all, b, new Set([b.id]));
  const mends = [
    ...(shorter >= SHORTEST_FRAMES
      ? [
          {
            label: 'Start after it, end as before',
            change: { kind: 'title' as const, set: { startFrame: endOf(a), lengthFrames: shorter } },
          },
        ]
      : []),
    after,
    ...(a.lane === b.lane && lane !== b.lane
      ? [{ label: `Move to titles ${lane + 1}`, change: { kind: 'title' as const, set: { lane } } }]
      : []),
  ];
  return { ...found, mends };
}

function overlap(a: Rect, b: Rect | undefined): boolean {
  if (b === undefined) return false;
  const shared = intersectRects(a, b);
  return shared.width > 1 && shared.height > 1;
}

function firstWords({ context }: SeenTitle): string {
  const text = context.words.find((words) => words.text.trim() !== '')?.text ?? context.template.name;
  return text.length > 20 ? `${text.slice(0, 18)}…` : text;
}
