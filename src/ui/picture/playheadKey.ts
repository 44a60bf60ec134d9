interface Pressed {
  readonly key: string;
  readonly shiftKey: boolean;
}

/**
 * The frame that a key takes a focused playhead to: one on or back, with Shift a second (`second`: its frames), or to an
 * end; null for any other key.
 */
export function playheadKey(
  { key, shiftKey }: Pressed,
  frame: number,
  end: number,
  second: number,
): number | null {
  const step = shiftKey ? second : 1;
  switch (key) {
    case 'ArrowLeft':
      return Math.max(0, frame - step);
    case 'ArrowRight':
      return Math.min(end, frame + step);
    case 'Home':
      return 0;
    case 'End':
      return end;
    default:
      return null;
  }
}
