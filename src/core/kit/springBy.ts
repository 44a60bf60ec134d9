/** A spring by what is seen of it. */
export interface Spring {
  /** How far it goes past its end at first, as a share of the way: 0 for not at all. */
  readonly overshoot: number;
  /** When it is furthest past its end, as a share of the time. */
  readonly reach: number;
}

/**
 * The way of a mass on a damped spring that is let go: from 0 at 0 to exactly 1 at 1, at times beyond. The damping that
 * an overshoot stands for is −ln(overshoot) ÷ √(π² + ln²(overshoot)), and the peak comes after half a swing (step
 * response of a second-order system). Without overshoot it is damped critically.
 */
export function springBy({ overshoot, reach }: Spring): (share: number) => number {
  const least = Math.max(0.02, Math.min(1, reach));
  const raw = overshoot < 1e-3 ? critical(least) : swinging(Math.min(0.95, overshoot), least);
  // What is left of the swing at the end is spread over the way, so that it does end there.
  const left = 1 - raw(1);
  return (share) => raw(share) + left * share;
}

function critical(reach: number): (share: number) => number {
  // Within a hundredth of the end when it is to be there.
  const omega = 6.64 / reach;
  return (t) => 1 - Math.exp(-omega * t) * (1 + omega * t);
}

function swinging(overshoot: number, reach: number): (share: number) => number {
  const log = Math.log(overshoot);
  const damping = -log / Math.hypot(Math.PI, log);
  const swing = Math.PI / reach;
  const decay = (swing * damping) / Math.sqrt(1 - damping ** 2);
  return (t) => 1 - Math.exp(-decay * t) * (Math.cos(swing * t) + (decay / swing) * Math.sin(swing * t));
}
