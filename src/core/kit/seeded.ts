/** A number in [0, 1) for a seed and an index: the same every time, without a pattern to the eye. (PCG hash: Jarzynski and Olano, 2020.) */
export function seededShare(seed: number, index: number): number {
  const input = (Math.imul(seed | 0, 0x9e3779b1) + (index | 0)) >>> 0;
  const state = (Math.imul(input, 747796405) + 2891336453) >>> 0;
  const word = Math.imul(((state >>> ((state >>> 28) + 4)) ^ state) >>> 0, 277803737) >>> 0;
  return (((word >>> 22) ^ word) >>> 0) / 4294967296;
}
