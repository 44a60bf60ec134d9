/** A box of a movie file: its length, its four letters and what is in it (QuickTime File Format, "Atoms"). */
export function box(type: string, ...parts: readonly Uint8Array[]): Buffer {
  const body = Buffer.concat(parts);
  const head = Buffer.alloc(8);
  head.writeUInt32BE(body.length + 8, 0);
  head.write(type, 4, 'latin1');
  return Buffer.concat([head, body]);
}

/** A box with a version and flags before its content. */
export function fullBox(type: string, flags: number, ...parts: readonly Uint8Array[]): Buffer {
  return box(type, u32(flags), ...parts);
}

/** Unsigned figures of 32 bits, the highest byte first. */
export const u32 = (...values: readonly number[]): Buffer => u32List(values);

/** A list of unsigned figures of 32 bits, however long. */
export function u32List(values: readonly number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 4);
  values.forEach((value, i) => bytes.writeUInt32BE(value >>> 0, i * 4));
  return bytes;
}

/** Unsigned figures of 16 bits, the highest byte first. */
export function u16(...values: readonly number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 2);
  values.forEach((value, i) => bytes.writeUInt16BE(value & 0xffff, i * 2));
  return bytes;
}

/** Figures of 64 bits, the highest byte first. */
export function u64List(values: readonly number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 8);
  values.forEach((value, i) => bytes.writeBigUInt64BE(BigInt(value), i * 8));
  return bytes;
}

/** A figure with 16 bits behind the point. */
export const fixed = (value: number): number => Math.round(value * 0x10000);

/** Four letters. */
export const letters = (word: string): Buffer => Buffer.from(word, 'latin1');

/** So many bytes of nothing. */
export const nothing = (count: number): Buffer => Buffer.alloc(count);

/** A matrix that leaves everything where it is. */
export const AS_IT_IS = u32(0x10000, 0, 0, 0, 0x10000, 0, 0, 0, 0x40000000);
