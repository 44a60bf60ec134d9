/** What open screens are told of as it happens. */
export type NewsItem =
  | { readonly kind: 'edition'; readonly templateId: string; readonly name: string; readonly number: number }
  /** Somebody saved changes to a project; `by` is the desk that did. */
  | { readonly kind: 'project'; readonly projectId: string; readonly by: string }
  | { readonly kind: 'house' }
  /** The House's own fonts are others now. */
  | { readonly kind: 'fonts' }
  /** Everything was put back as a backup had it: what is open is out of date. */
  | { readonly kind: 'restored' };
