declare module 'wawoff2' {
  interface Woff2 {
    /** The plain font in a WOFF2 file. */
    decompress(bytes: Uint8Array): Promise<Uint8Array>;
    compress(bytes: Uint8Array): Promise<Uint8Array>;
  }
  const woff2: Woff2;
  export default woff2;
}
