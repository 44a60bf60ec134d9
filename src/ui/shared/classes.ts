/** Joins class names, leaving out what is false or empty. */
export function classes(...names: readonly (string | false | null | undefined)[]): string {
  return names.filter(Boolean).join(' ');
}
