/** Stands in the browser for Node's module loader, which harfbuzzjs imports and does not use there. */
export function createRequire(): never {
  throw new Error('There is no module loader in a browser');
}
