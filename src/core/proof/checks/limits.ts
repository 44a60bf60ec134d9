import { limitValue } from '../../resolve/fieldValue';
import type { Field } from '../../model/template';
import { cleanText } from '../../text/cleanText';
import { defineCheck } from '../check';

export const limitsCheck = defineCheck({
  kind: 'title',
  id: 'limits',
  label: 'Left out by a limit',
  about: 'Finds words that are typed but not shown, because the template limits what a field takes.',
  run({ words }) {
    return words
      .filter(({ field, typed }) => typed && field.kind === 'text')
      .flatMap(({ field, text }) => {
        const shown = String(limitValue(field, text));
        const clean = cleanText(text);
        if (sameButForCase(shown, clean)) return [];
        return [
          {
            tone: 'stop' as const,
            subject: field.id,
            message: shown === '' ? `${field.label} shows nothing` : `${field.label} is not all shown`,
            detail: `${field.label} takes ${takes(field)}; of “${clean}” it shows “${shown}”.`,
            mends: [
              {
                label: 'Keep what is shown',
                change: { kind: 'words' as const, fieldId: field.id, value: shown },
              },
            ],
          },
        ];
      });
  },
});

/** A limit may set words in capitals; that leaves nothing out. */
function sameButForCase(a: string, b: string): boolean {
  // Capitals decide: some letters become two of them.
  return a.toLocaleUpperCase('und') === b.toLocaleUpperCase('und');
}

const ALLOWED = {
  any: '',
  letters: 'letters and marks only',
  figures: 'figures and signs only',
  capitals: 'capitals only',
} as const;

/** What a field takes, in words. */
function takes({ limits: { allowed = 'any', maxLength, maxLines } }: Field): string {
  return [
    ALLOWED[allowed],
    maxLength === undefined ? '' : `at most ${maxLength} characters`,
    maxLines === undefined ? '' : maxLines === 1 ? 'one line' : `at most ${maxLines} lines`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}
