/** How much of the room that is left over lies before what is aligned. */
export const ALIGN_SHARES = { left: 0, centre: 0.5, right: 1 } as const;
