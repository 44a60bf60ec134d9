/** What axes and bubbles of the desk's charts look like. */
export const TICK = { fontSize: 11, fill: 'var(--ink-soft)' };
export const BUBBLE = { background: 'var(--card)', border: '1px solid var(--line)', fontSize: 12 };
