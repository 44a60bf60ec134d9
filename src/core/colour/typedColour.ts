import { formatHex, parse } from 'culori';

/**
 * A colour as somebody types it: `#10303c`, `10303c`, `#abc`, `rgb(16 48 60)`, `teal` and whatever else CSS Color 4 takes;
 * as `#rrggbb`. null for what is no colour, and for one that is not opaque: how opaque something is is said elsewhere.
 */
export function typedColour(text: string): string | null {
  const said = text.trim();
  const bare = /^([0-9a-f]{3}|[0-9a-f]{6})$/i.test(said) ? `#${said}` : said;
  const colour = bare === '' ? undefined : parse(bare.toLowerCase());
  if (colour === undefined || (colour.alpha ?? 1) < 1) return null;
  return formatHex(colour);
}
