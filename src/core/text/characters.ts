import { saysAll } from '../kit/saysAll';
/** A character that is hard to type, with the words that it is looked for by. */
export interface NamedCharacter {
  readonly character: string;
  readonly name: string;
}

const named = (list: string): NamedCharacter[] =>
  list
    .trim()
    .split('\n')
    .map((line) => {
      const [character, ...name] = line.trim().split(' ');
      return { character, name: name.join(' ') };
    });

/** Characters that titles often need, in groups, the groups in the order in which they are shown. Names: Unicode's, shortened. */
export const CHARACTER_GROUPS: readonly {
  readonly label: string;
  readonly list: readonly NamedCharacter[];
}[] = [
  {
    label: 'Bullets',
    list: named(`
      • bullet
      · middle dot
      ‣ triangular bullet
      ◦ white bullet
      ▪ small square bullet
      ■ square
      □ white square
      ● circle
      ○ white circle
      ◆ diamond
      ◇ white diamond
      ▲ up triangle
      ▶ right triangle
      ▼ down triangle
      ◀ left triangle
      ★ star
      ☆ white star
      ✓ check mark
      ✕ cross`),
  },
  {
    label: 'Dashes and quotes',
    list: named(`
      – en dash
      — em dash
      ‑ hyphen that does not break
      − minus
      … ellipsis
      ‘ left single quote
      ’ right single quote, apostrophe
      “ left double quote
      ” right double quote
      ‚ low single quote
      „ low double quote
      ‹ left single angle quote
      › right single angle quote
      « left double angle quote
      » right double angle quote
      ′ prime, feet, minutes
      ″ double prime, inches, seconds
      ¿ inverted question mark
      ¡ inverted exclamation mark
      | bar
      ¦ broken bar`),
  },
  {
    label: 'Arrows',
    list: named(`
      ← left arrow
      ↑ up arrow
      → right arrow
      ↓ down arrow
      ↔ left right arrow
      ↕ up down arrow
      ↗ north east arrow
      ↘ south east arrow
      ↙ south west arrow
      ↖ north west arrow
      ⇒ right double arrow
      ↩ left hooked arrow
      ↪ right hooked arrow`),
  },
  {
    label: 'Figures and signs',
    list: named(`
      × times, multiplication
      ÷ division
      ± plus minus
      ≈ almost equal
      ≠ not equal
      ≤ at most
      ≥ at least
      ½ one half
      ¼ one quarter
      ¾ three quarters
      ⅓ one third
      ⅔ two thirds
      ° degree
      % per cent
      ‰ per mille
      № numero
      ª feminine ordinal
      º masculine ordinal
      ¹ superscript one
      ² superscript two
      ³ superscript three
      € euro
      £ pound
      ¥ yen
      ₹ rupee
      ¢ cent
      © copyright
      ® registered
      ™ trade mark
      § section
      ¶ paragraph
      † dagger
      ‡ double dagger
      & ampersand
      @ at`),
  },
  {
    label: 'Letters',
    list: named(`
      á a acute
      à a grave
      â a circumflex
      ä a diaeresis
      å a ring
      ã a tilde
      æ ae
      ç c cedilla
      č c caron
      ð eth
      é e acute
      è e grave
      ê e circumflex
      ë e diaeresis
      í i acute
      ł l stroke
      ñ n tilde
      ń n acute
      ó o acute
      ö o diaeresis
      ø o stroke
      œ oe
      š s caron
      ß sharp s
      þ thorn
      ú u acute
      ü u diaeresis
      ý y acute
      ž z caron`),
  },
];

/**
 * The characters whose names hold every word that is looked for. A code such as `U+2022`, or a character itself,
 * finds just that one. Nothing looked for gives all.
 */
export function findCharacters(looked: string): NamedCharacter[] {
  const all = CHARACTER_GROUPS.flatMap((group) => group.list);
  const trimmed = looked.trim();
  const code = /^(?:u\+)?([0-9a-f]{4,6})$/i.exec(trimmed);
  if (code !== null && trimmed.toLowerCase().startsWith('u+')) {
    const point = parseInt(code[1], 16);
    const usable = point <= 0x10ffff && (point < 0xd800 || point > 0xdfff) && point >= 0x20;
    return usable ? [{ character: String.fromCodePoint(point), name: trimmed.toUpperCase() }] : [];
  }
  if (trimmed !== '' && Array.from(trimmed).length === 1 && !/[a-z0-9]/i.test(trimmed)) {
    return [all.find((one) => one.character === trimmed) ?? { character: trimmed, name: 'this character' }];
  }
  return all.filter(({ name }) => saysAll(name, trimmed));
}
