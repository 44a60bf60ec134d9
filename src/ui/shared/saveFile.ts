/** Gives the user a file to save. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, mediaType: string): void {
  const url = URL.createObjectURL(new Blob([content], { type: mediaType }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken the content by the next turn.
  setTimeout(() => URL.revokeObjectURL(url));
}
