'use client';
import { del, get, keys, set } from 'idb-keyval';

/**
 * What of a document is not on the server yet, kept in this browser until it is. Each page keeps its own; what earlier
 * pages left behind is taken up by the next one that opens, those that are still open left alone.
 */
export class KeptDraft<T> {
  private readonly key: string;

  /** `prefix` names the document, `pageId` this page. */
  constructor(
    private readonly prefix: string,
    pageId: string,
  ) {
    this.key = prefix + pageId;
  }

  keep(value: T): Promise<void> {
    return set(this.key, value).catch(() => undefined);
  }

  /** The same at once, while the page goes and nothing is waited for any more; what is too large for that is left out. */
  keepAsPageGoes(value: T): void {
    try {
      sessionStorage.setItem(this.key, JSON.stringify(value));
    } catch {
      // What was kept a moment before is there still.
    }
  }

  drop(): Promise<void> {
    sessionStorage.removeItem(this.key);
    return del(this.key).catch(() => undefined);
  }

  /** Hands over what earlier pages left behind, one after the other, and forgets it. Says whether there was anything. */
  async takeUp(take: (value: T) => Promise<void> | void): Promise<boolean> {
    // Held as long as the page is open: what lies under its key is nobody else's to take up.
    void navigator.locks.request(this.key, () => new Promise(() => undefined));
    const asPagesWent = Object.keys(sessionStorage);
    const all = new Set([...(await keys<string>().catch(() => [])), ...asPagesWent]);
    const left = [...all].filter((key) => key.startsWith(this.prefix) && key !== this.key);
    let found = false;
    for (const key of left) {
      found =
        (await navigator.locks.request(key, { ifAvailable: true }, async (lock) => {
          const value = lock === null ? undefined : await leftUnder<T>(key);
          if (value === undefined) return false;
          await take(value);
          sessionStorage.removeItem(key);
          await del(key).catch(() => undefined);
          return true;
        })) || found;
    }
    return found;
  }
}

/** What a page left: as it went if it did, which is the last; undefined for nothing. */
async function leftUnder<T>(key: string): Promise<T | undefined> {
  const last = sessionStorage.getItem(key);
  // Only pages of this program write under its keys.
  if (last !== null) return JSON.parse(last) as T;
  return get<T>(key).catch(() => undefined);
}
