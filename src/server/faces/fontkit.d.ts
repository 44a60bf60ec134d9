import 'fontkit';

// What the library has and its description leaves out.
declare module 'fontkit' {
  interface Font {
    /** The name table's records: a text, or texts by language. */
    readonly name: { readonly records: Readonly<Record<string, unknown>> };
    /** The features that put other glyphs in place; `featureParams` where they say more of themselves. */
    readonly GSUB?: {
      readonly featureList: readonly {
        readonly tag: string;
        readonly feature: { readonly featureParams?: { readonly nameID: number } | null };
      }[];
    };
  }
}
