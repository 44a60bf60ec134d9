import type { EditionRecord } from '@/contract/templates';
import type { Delivery } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { swapTitle } from '@/core/project/swap';

/** A title on an edition of its own template, its words where they belong. */
export function onEdition(
  title: Title,
  edition: EditionRecord,
  editions: ReadonlyMap<string, EditionRecord>,
  deliveries: readonly Delivery[],
): Title {
  const from = editions.get(title.editionId)?.document;
  return swapTitle(title, from, edition, { sameTemplate: true, deliveries });
}
