import type { CreditKind } from '@/core/model/credits';

/** What kinds of rows are called. */
export const CREDIT_KIND_LABELS: Readonly<Record<CreditKind, string>> = {
  heading: 'Heading',
  role: 'Role, name',
  name: 'Name',
  paragraph: 'Paragraph',
  pictures: 'Pictures',
  gap: 'Gap',
  beside: 'Beside the roll',
};
