/** Words as a file name: letters, figures and hyphens of any script, at most 40. */
export function fileSlug(words: string): string {
  const slug = words
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    .replace(/^-+/, '');
  return Array.from(slug).slice(0, 40).join('').replace(/-+$/, '');
}
