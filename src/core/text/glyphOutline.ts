import type { Outline } from '../display/outline';

/** A glyph's path commands (font units, y up) as an outline with y down. */
export function glyphToOutline(
  commands: readonly { readonly type: string; readonly values: number[] }[],
): Outline {
  let verbs = '';
  const coords: number[] = [];
  for (const { type, values } of commands) {
    verbs += type;
    for (let i = 0; i < values.length; i += 2) coords.push(values[i], -values[i + 1]);
  }
  return { verbs, coords };
}
