import { createRegistry } from '../kit/registry';

/** The kinds of title under which templates stand on the shelf. */
export const TEMPLATE_KINDS = createRegistry('template kind', [
  { id: 'name-strap', label: 'Lower thirds' },
  { id: 'place-date', label: 'Places and dates' },
  { id: 'opener', label: 'Openers' },
  { id: 'list', label: 'Lists and boards' },
  { id: 'quote', label: 'Quotes' },
  { id: 'credits', label: 'Credits' },
  { id: 'caption', label: 'Captions' },
  { id: 'bumper', label: 'Bumpers' },
  { id: 'chapter', label: 'Chapter cards' },
  { id: 'corner-logo', label: 'Corner logos' },
]);
