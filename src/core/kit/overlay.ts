/** Something that is looked up by id. */
export interface Lookup<V> {
  get(id: string): V | undefined;
}

/** What a map holds with some of it otherwise; the map itself stays as it is and is not copied. */
export class Overlay<V> implements Lookup<V> {
  private readonly own = new Map<string, V | null>();

  constructor(private readonly base: Lookup<V> | null) {}

  get(id: string): V | undefined {
    const own = this.own.get(id);
    if (own === undefined) return this.base?.get(id);
    return own ?? undefined;
  }

  set(id: string, value: V): void {
    this.own.set(id, value);
  }

  delete(id: string): void {
    this.own.set(id, null);
  }
}
