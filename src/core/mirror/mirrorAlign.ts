const OTHER_SIDE = { left: 'right', centre: 'centre', right: 'left', justify: 'justify' } as const;

/** What words line up at, left for right. */
export function mirrorAlign<Align extends keyof typeof OTHER_SIDE>(align: Align): (typeof OTHER_SIDE)[Align] {
  return OTHER_SIDE[align];
}

/** Whether a value says what words line up at. */
export function isAlign(value: unknown): value is keyof typeof OTHER_SIDE {
  return typeof value === 'string' && Object.hasOwn(OTHER_SIDE, value);
}
