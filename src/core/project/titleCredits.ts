import type { Credits } from '../model/credits';
import { NO_CREDITS } from '../model/credits';
import type { CreditsLayer, Template } from '../model/template';

/** The layer of a template that shows a title's credits; undefined for a template without credits. */
export function creditsLayer({ layers }: Template): CreditsLayer | undefined {
  return layers.find((layer): layer is CreditsLayer => layer.kind === 'credits');
}

const known = new WeakMap<Template, WeakMap<Credits, Template>>();

/**
 * A template with what a title says of its credits in place of the design's sample, which never goes to air: nothing
 * typed shows nothing. Asked again for the same credits it gives the same object.
 */
export function withCredits(template: Template, said: Credits | null | undefined): Template {
  const credits = said ?? NO_CREDITS;
  if (creditsLayer(template) === undefined) return template;
  const made = known.get(template) ?? new WeakMap<Credits, Template>();
  known.set(template, made);
  const before = made.get(credits);
  if (before !== undefined) return before;
  const layers = template.layers.map((layer) =>
    layer.kind === 'credits' ? { ...layer, rows: credits.rows, wish: credits.wish } : layer,
  );
  const own = { ...template, layers };
  made.set(credits, own);
  return own;
}

/** The design's own sample as if it had been typed; null for a template without credits. */
export function sampleCredits(template: Template): Credits | null {
  const layer = creditsLayer(template);
  return layer === undefined ? null : { ...NO_CREDITS, rows: layer.rows };
}
