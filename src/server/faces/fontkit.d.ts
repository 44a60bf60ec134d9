import 'fontkit';

// What the library has and its description leaves out.
declare module 'fontkit' {
  interface Font {
    /** The name table's records: a text, or texts by language. */
    readonly name: { readonly records: Readonly<Record<string, unknown>> };
  }
}
