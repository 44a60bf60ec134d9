/** Adds up pictures of one size and gives their mean; transparency counts, so a fast edge fades and does not darken. */
export class Exposure {
  private readonly sums: Float32Array;
  private count = 0;

  constructor(pixels: number) {
    this.sums = new Float32Array(pixels * 4);
  }

  /** Adds a picture: straight-alpha RGBA. */
  add(data: Uint8ClampedArray): void {
    const { sums } = this;
    this.count++;
    for (let i = 0; i < data.length; i += 4) {
      const alpha = data[i + 3];
      if (alpha === 0) continue;
      sums[i] += data[i] * alpha;
      sums[i + 1] += data[i + 1] * alpha;
      sums[i + 2] += data[i + 2] * alpha;
      sums[i + 3] += alpha;
    }
  }

  /** Writes the mean: straight-alpha RGBA. */
  write(data: Uint8ClampedArray): void {
    const { sums, count } = this;
    for (let i = 0; i < data.length; i += 4) {
      const alpha = sums[i + 3];
      if (alpha === 0) continue;
      data[i] = sums[i] / alpha;
      data[i + 1] = sums[i + 1] / alpha;
      data[i + 2] = sums[i + 2] / alpha;
      data[i + 3] = alpha / count;
    }
  }
}
