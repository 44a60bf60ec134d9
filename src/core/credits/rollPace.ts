/** How a roll goes: at one speed, and slower and slower in its last frames where it comes to rest. */
export interface RollPace {
  /** The speed before it slows. */
  readonly pxPerFrame: number;
  /** The frames that it goes, those in which it slows included. */
  readonly frames: number;
  /** The frames in which it slows; no more than half of all. */
  readonly slowFrames: number;
  /** Speeds are whole multiples of this; null for any. */
  readonly stepPx: number | null;
}

/** How far each of the frames goes in which a roll slows, the fastest first. */
function slowSpeeds({ pxPerFrame, frames, slowFrames, stepPx }: RollPace): number[] {
  const count = Math.max(0, Math.min(slowFrames, Math.floor(frames / 2)));
  return Array.from({ length: count }, (_, i) => {
    const speed = pxPerFrame * (1 - (i + 1) / (count + 1));
    return stepPx === null ? speed : Math.round(speed / stepPx) * stepPx;
  });
}

/** How far a roll goes in all, in pixels. */
export function paceLength(pace: RollPace): number {
  const slow = slowSpeeds(pace);
  return pace.pxPerFrame * (pace.frames - slow.length) + slow.reduce((sum, px) => sum + px, 0);
}

/** How far a roll has gone at a frame, parts of one included; after its last frame as far as then. */
export function goneAt(pace: RollPace, frame: number): number {
  const slow = slowSpeeds(pace);
  const even = pace.frames - slow.length;
  let gone = pace.pxPerFrame * Math.min(frame, even);
  for (let i = 0; i < slow.length && frame > even + i; i++) gone += slow[i] * Math.min(1, frame - even - i);
  return gone;
}

/** The first moment (in frames) at which a roll has gone so far; its last frame where it never goes that far. */
export function frameGone(pace: RollPace, px: number): number {
  const slow = slowSpeeds(pace);
  const even = pace.frames - slow.length;
  if (px <= pace.pxPerFrame * even) return Math.max(0, px / pace.pxPerFrame);
  let left = px - pace.pxPerFrame * even;
  for (const [i, speed] of slow.entries()) {
    if (left <= speed && speed > 0) return even + i + left / speed;
    left -= speed;
  }
  return pace.frames;
}
