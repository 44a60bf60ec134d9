import type { SetAside } from '../model/plan';
import type { Finding } from './finding';

/** How far it reaches that a finding is set aside: it alone, its like in a template or a delivery, or its whole check. */
export type AsideScope = 'finding' | 'template' | 'delivery' | 'check';

/** What somebody decided about a finding; undefined where nobody did. `templateId` is that of the finding's title. */
export function asideFor(
  entries: readonly SetAside[],
  finding: Pick<Finding, 'key' | 'check' | 'deliveryId'>,
  templateId: string | undefined,
): SetAside | undefined {
  return entries.find(({ key, like }) => {
    if (like === undefined) return key === finding.key;
    if (like.check !== finding.check) return false;
    if (like.templateId !== undefined && like.templateId !== templateId) return false;
    return like.deliveryId === undefined || like.deliveryId === finding.deliveryId;
  });
}

/**
 * The entry that sets a finding aside as far as it is asked to reach. A finding without a delivery cannot be set aside
 * for one: it then counts in all.
 */
export function asideEntry(
  finding: Pick<Finding, 'key' | 'check' | 'deliveryId'>,
  scope: AsideScope,
  templateId: string | undefined,
  said: Pick<SetAside, 'reason' | 'by'>,
): SetAside {
  const { key, check, deliveryId } = finding;
  switch (scope) {
    case 'finding':
      return { key, ...said };
    case 'template':
      return { key: `${check} in ${templateId}`, ...said, like: { check, templateId } };
    case 'delivery':
      return deliveryId === null
        ? { key: `${check} everywhere`, ...said, like: { check } }
        : { key: `${check} for ${deliveryId}`, ...said, like: { check, deliveryId } };
    case 'check':
      return { key: `${check} everywhere`, ...said, like: { check } };
  }
}
