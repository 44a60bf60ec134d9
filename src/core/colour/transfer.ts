/** The light of a colour channel as it is shown, both from 0 to 1 (IEC 61966-2-1). */
export function linearOfSrgb(share: number): number {
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}

/** A colour channel as it is shown for its light, both from 0 to 1 (IEC 61966-2-1). */
export function srgbOfLinear(light: number): number {
  return light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055;
}
