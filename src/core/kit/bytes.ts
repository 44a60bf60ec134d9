/** A number of bytes as people read it, in units of a thousand: "999 B", "2 kB", "7.3 MB", "2.50 GB". */
export function bytesToWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1e6) return `${Math.round(bytes / 1e3)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(2)} GB`;
}
