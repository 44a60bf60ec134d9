import bidiFactory from 'bidi-js';

/** Unicode's bidirectional algorithm (UAX 9); its tables are unpacked once. */
export const bidi = bidiFactory();
