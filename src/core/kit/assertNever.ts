/** Ends an exhaustive switch over a closed union; throws with the value if one slipped through at run time. */
export function assertNever(value: never, what: string): never {
  throw new Error(`Unexpected ${what}: ${JSON.stringify(value)}`);
}
