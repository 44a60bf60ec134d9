import { FORMATS, pictureSize } from '../../frame/formats';
import type { LayoutContext } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const creditLayoutCheck = defineCheck({
  kind: 'layout',
  of: 'titles',
  id: 'credit-layout',
  label: 'Layout of credits',
  about:
    'Finds cards that part a role from its names or end with a heading, lines that are alone, and pictures that are too small or have no room.',
  run: (context): readonly Found[] => [...cards(context), ...pictures(context)],
});

function cards({ shown, timing }: LayoutContext): Found[] {
  const all = shown.compiled.credits?.cardsAt(timing) ?? [];
  return all.flatMap((card, i): Found[] => {
    const frame = Math.round((card.from + card.to) / 2 / timing.frameSeconds);
    const told = (subject: string, message: string, detail: string): Found[] => [
      { tone: 'look', subject: `${subject} ${i}`, message: `card ${i + 1} ${message}`, detail, frame },
    ];
    const name = `Card ${i + 1} of ${all.length}`;
    if (card.endsOpen)
      return told('open', 'ends with a heading', `${name} ends with a heading; its rows are on the next.`);
    if (card.goesOn)
      return told(
        'parted',
        'parts a role',
        `${name} begins with names of a role that is on the card before.`,
      );
    const isAlone = card.lines === 1 && i > 0 && i === all.length - 1;
    return isAlone ? told('alone', 'has one line', `${name} has one line only.`) : [];
  });
}

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

function pictures({ shown, credits, delivery, title }: LayoutContext): Found[] {
  const { heightU } = pictureSize(FORMATS.get(delivery.format));
  const { pictureHeightsU: heightsU = [], besideCount: beside = 0 } = shown.compiled.credits ?? {};
  const small = heightsU.filter((own) => own < credits.pictureShare * heightU - 0.5);
  const rows = title.credits?.rows ?? [];
  const asked = rows.filter((row) => row.kind === 'beside' && row.asset !== '').length;
  const found: Found[] = [];
  if (small.length > 0)
    found.push({
      tone: 'look',
      subject: 'small',
      message: small.length === 1 ? 'a picture is small' : `${small.length} pictures are small`,
      detail: `The smallest is ${percent(Math.min(...small) / heightU)} of the picture’s height; at least ${percent(credits.pictureShare)} are wanted.`,
    });
  if (asked > beside)
    found.push({
      tone: 'stop',
      subject: 'beside',
      message: 'no room for a picture beside',
      detail: `Between the credits and the title-safe line there is no room for ${asked - beside === 1 ? 'a picture' : `${asked - beside} pictures`}: not shown.`,
    });
  return found;
}
