/** Frames on their way from a render worker to an encoder, in memory that both threads see. */
export interface FrameRingMemory {
  readonly control: SharedArrayBuffer;
  readonly data: SharedArrayBuffer;
  readonly slots: number;
  readonly slotBytes: number;
}

const FREE = 0;
const TAKEN = 1;

/** Makes the memory for `slots` frames of at most `slotBytes` bytes each. */
export function createFrameRing(slots: number, slotBytes: number): FrameRingMemory {
  return {
    control: new SharedArrayBuffer((slots + 1) * Int32Array.BYTES_PER_ELEMENT),
    data: new SharedArrayBuffer(slots * slotBytes),
    slots,
    slotBytes,
  };
}

/** One side's view of a ring. The last control word is the cancel flag. */
export class FrameRing {
  private readonly control: Int32Array;

  constructor(private readonly memory: FrameRingMemory) {
    this.control = new Int32Array(memory.control);
  }

  /** Waits (blocking the worker's thread) until the slot is free and takes it. False once cancelled. */
  take(slot: number): boolean {
    while (!this.cancelled()) {
      if (Atomics.compareExchange(this.control, slot, FREE, TAKEN) === FREE) return true;
      Atomics.wait(this.control, slot, TAKEN, 200);
    }
    return false;
  }

  /** Gives a slot back to the worker. */
  free(slot: number): void {
    Atomics.store(this.control, slot, FREE);
    Atomics.notify(this.control, slot);
  }

  /** The bytes of a slot, without a copy. */
  bytes(slot: number, length = this.memory.slotBytes): Uint8Array {
    return new Uint8Array(this.memory.data, slot * this.memory.slotBytes, length);
  }

  cancel(): void {
    Atomics.store(this.control, this.memory.slots, 1);
  }

  cancelled(): boolean {
    return Atomics.load(this.control, this.memory.slots) === 1;
  }
}
