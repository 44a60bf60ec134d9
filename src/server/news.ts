import type { NewsItem } from '@/contract/news';

/** Passes news on to everybody who listens. */
export class News {
  private readonly listeners = new Set<(item: NewsItem) => void>();

  tell(item: NewsItem): void {
    for (const listener of this.listeners) listener(item);
  }

  /** Calls back with all news until the returned function is called. */
  subscribe(listener: (item: NewsItem) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }
}
