/** A time of a caption file in seconds, `h:mm:ss.fff` or `mm:ss,fff`; null for what is none. */
export function readClockTime(text: string): number | null {
  const found = /^(?:(\d{1,4}):)?(\d{1,2}):(\d{1,2})(?:[.,:](\d{1,6}))?$/.exec(text.trim());
  if (found === null) return null;
  const [, hours = '0', minutes, seconds, part = ''] = found;
  if (Number(minutes) > 59 || Number(seconds) > 59) return null;
  const whole = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  // Fewer figures than three are as many of the first places: .5 is half a second.
  return whole + Number(`0.${part === '' ? '0' : part}`);
}

/** A time to the nearest millisecond as `hh:mm:ss` with a sign before the milliseconds. */
export function writeClockTime(seconds: number, sign: ',' | '.'): string {
  const total = Math.max(0, Math.round(seconds * 1000));
  const two = (value: number): string => String(value).padStart(2, '0');
  const [ms, s] = [total % 1000, Math.floor(total / 1000)];
  return `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}${sign}${String(ms).padStart(3, '0')}`;
}
