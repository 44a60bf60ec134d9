/** The desk's sheets in the order in which they are offered. */
export const DESK_SHEETS = ['titles', 'captions', 'credits'] as const;
export type DeskSheet = (typeof DESK_SHEETS)[number];

/** The sheet that an address asks for; the titles for anything else. */
export function sheetAsked(value: unknown): DeskSheet {
  return DESK_SHEETS.find((sheet) => sheet === value) ?? 'titles';
}

/** What comes after a desk's path when a sheet lies open. */
export const sheetQuery = (sheet: DeskSheet): string => (sheet === 'titles' ? '?' : `?sheet=${sheet}`);
