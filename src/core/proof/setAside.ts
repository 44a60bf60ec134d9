import type { SetAside } from '../model/plan';
import type { Finding } from './finding';

/** How far it reaches that a finding is set aside: it alone, its like in a template or a delivery, or its whole check. */
export type AsideScope = 'finding' | 'template' | 'delivery' | 'check';

/** What somebody decided about a finding; undefined where nobody did. The template is asked for only where it counts. */
export type AsideLookup = (
  finding: Pick<Finding, 'key' | 'check' | 'deliveryId' | 'titleId'>,
) => SetAside | undefined;

/** Looks decisions up: there may be thousands of them, and of findings. `templateIdOf` gives a title's template. */
export function createAsideLookup(
  entries: readonly SetAside[],
  templateIdOf: (titleId: string) => string | undefined,
): AsideLookup {
  const byKey = new Map(entries.flatMap((one) => (one.like === undefined ? [[one.key, one]] : [])));
  const wide = entries.filter(({ like }) => like !== undefined);
  return (finding) =>
    byKey.get(finding.key) ??
    wide.find(({ like }) => {
      if (like?.check !== finding.check) return false;
      if (like.templateId !== undefined && like.templateId !== templateIdOf(finding.titleId)) return false;
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
