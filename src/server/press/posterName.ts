/** The file with a picture of a rendered file at rest. */
export function posterName(name: string): string {
  return `${name}.rest.png`;
}
