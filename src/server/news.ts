/** What open screens are told of as it happens. */
export type NewsItem =
  | { readonly kind: 'edition'; readonly templateId: string; readonly name: string; readonly number: number }
  /** Somebody saved changes to a project; `by` is the desk that did. */
  | { readonly kind: 'project'; readonly projectId: string; readonly by: string }
  | { readonly kind: 'house' };

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
