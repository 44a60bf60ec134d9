/** What times of a TTML document are counted by (TTML2, 12.3). */
export interface TtmlClock {
  readonly framesPerSecond: number;
  readonly ticksPerSecond: number;
}

/** The clock that a document's root says, from its parameters; 30 frames and as many ticks where it says none. */
export function ttmlClock(parameter: (name: string) => string | undefined): TtmlClock {
  const frames = Number(parameter('frameRate') ?? 30) || 30;
  const [up = 1, down = 1] = (parameter('frameRateMultiplier') ?? '1 1').split(/[\s:]+/).map(Number);
  const rate = frames * (up > 0 && down > 0 ? up / down : 1);
  const ticks = Number(parameter('tickRate'));
  const usual = parameter('frameRate') === undefined ? 1 : rate;
  return { framesPerSecond: rate, ticksPerSecond: ticks > 0 ? ticks : usual };
}

const METRICS: Readonly<Record<string, number>> = { h: 3600, m: 60, s: 1, ms: 0.001 };

/** A time expression in seconds: clock times with fractions or frames, and offsets in any metric; null for what is none. */
export function readTtmlTime(text: string, { framesPerSecond, ticksPerSecond }: TtmlClock): number | null {
  const said = text.trim();
  const clock = /^(\d{2,}):(\d{2}):(\d{2})(?:(\.\d+)|:(\d{2,})(?:\.\d+)?)?$/.exec(said);
  if (clock !== null) {
    const [, hours, minutes, seconds, part, frames] = clock;
    if (Number(minutes) > 59 || Number(seconds) > 60) return null;
    const whole = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
    return whole + Number(part ?? 0) + Number(frames ?? 0) / framesPerSecond;
  }
  const [, figure, metric = ''] = /^(\d+(?:\.\d+)?)(h|ms|m|s|f|t)$/.exec(said) ?? [];
  if (figure === undefined) return null;
  if (metric === 'f') return Number(figure) / framesPerSecond;
  return metric === 't' ? Number(figure) / ticksPerSecond : Number(figure) * METRICS[metric];
}
