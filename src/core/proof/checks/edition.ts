import { defineCheck } from '../check';

export const editionCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'edition',
  label: 'Older edition',
  about: 'Finds titles whose template has a newer edition, unless they keep theirs.',
  run({ title, template, newer }) {
    if (newer === null || title.keepsEdition) return [];
    return [
      {
        tone: 'look',
        subject: newer.id,
        message: `edition ${newer.number} is out`,
        detail: `“${template.name}” has a newer edition than the one that this title uses.`,
        mends: [
          { label: `Bring up to edition ${newer.number}`, change: { kind: 'edition', editionId: newer.id } },
          { label: 'Keep this edition', change: { kind: 'title', set: { keepsEdition: true } } },
        ],
      },
    ];
  },
});
