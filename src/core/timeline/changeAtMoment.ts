import { setKey } from '../edit/editTracks';
import { isFollowed, trackOf } from '../model/track';
import type { FieldValue, Layer, Moment, Template } from '../model/template';
import { findProperty } from '../layers';
import { secondsToMoment, toDesignSeconds } from '../titleTime/moments';
import type { TitleTiming } from '../titleTime/stretch';
import { trackTime } from '../titleTime/tracks';
import { templateAt } from '../resolve/settings';

/** A time of a title, in seconds from its start. */
interface TitleMoment {
  readonly seconds: number;
  readonly timing: TitleTiming;
}

/**
 * The template after a change that was made on what its tracks show at a moment. What follows keyframes gets a key
 * there if the change gave it another value, and the design's own value stays as it was, also for a track that the
 * change switched off or took away.
 */
export function changeAtMoment(
  template: Template,
  at: TitleMoment,
  change: (template: Template) => Template,
): Template {
  const shown = templateAt(template, at.seconds, at.timing);
  const next = change(shown);
  if (next === shown) return template;
  const designs = new Map(template.layers.map((layer) => [layer.id, layer]));
  const shownById = new Map(shown.layers.map((layer) => [layer.id, layer]));
  const layers = next.layers.map((layer) => {
    const design = designs.get(layer.id);
    const before = shownById.get(layer.id);
    if (design === undefined || before === undefined) return layer;
    if (layer === before) return design;
    return design.motion.tracks.filter(isFollowed).reduce((done, { path }) => {
      const own = trackTime(design, path, at.seconds, template.timing, at.timing);
      const moment = secondsToMoment(
        toDesignSeconds(own.seconds, template.timing, own.timing),
        template.timing,
      );
      return keepDesign(done, path, moment, { design, before });
    }, layer);
  });
  return { ...next, layers };
}

interface Was {
  readonly design: Layer;
  /** As its tracks showed it. */
  readonly before: Layer;
}

function keepDesign(layer: Layer, path: string, moment: Moment, { design, before }: Was): Layer {
  const value = valueOf(layer, path);
  const own = valueOf(design, path);
  if (value === undefined || own === undefined) return layer;
  const changed = value !== valueOf(before, path);
  const track = trackOf(layer, path);
  // What no longer follows keyframes takes a change as its own.
  if (changed && (track === undefined || !isFollowed(track))) return layer;
  const keyed = changed ? setKey(layer, path, moment, value) : layer;
  return findProperty(keyed, path)?.with(own) ?? keyed;
}

const valueOf = (layer: Layer, path: string): FieldValue | undefined => findProperty(layer, path)?.value;
