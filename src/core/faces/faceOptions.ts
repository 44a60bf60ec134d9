/** A feature of a font that a style can switch on, by what it is called. */
export interface FaceOption {
  /** OpenType feature tag. */
  readonly tag: string;
  readonly label: string;
}

/**
 * Registered features of OpenType 1.9 that are a matter of taste, by what they are called. Those that a language or a
 * script needs are always on, and those with a setting of their own (figures, ligatures, fractions, small capitals) are
 * not among them.
 */
const REGISTERED: Readonly<Record<string, string>> = {
  c2sc: 'Capitals small too',
  case: 'Case-sensitive signs',
  cswh: 'Swashes by context',
  dlig: 'Rare ligatures',
  hist: 'Historical forms',
  hlig: 'Historical ligatures',
  lnum: 'Lining figures',
  ordn: 'Ordinals',
  pnum: 'Proportional figures',
  salt: 'Other forms',
  sinf: 'Scientific inferiors',
  subs: 'Subscript',
  sups: 'Superscript',
  swsh: 'Swashes',
  titl: 'Titling',
  unic: 'Unicase',
  zero: 'Slashed zero',
};

const NUMBERED = /^(ss|cv)(\d\d)$/;

/**
 * What of a font's features a style can switch on, sets and variants last. `names` are the font's own words for some of
 * them (OpenType 1.9, feature parameters); of two with one name the second says its tag.
 */
export function optionsOf(
  tags: readonly string[],
  names: Readonly<Record<string, string>> = {},
): readonly FaceOption[] {
  const named = [...new Set(tags)].flatMap((tag) => {
    const label = names[tag] ?? labelOf(tag);
    return label === undefined ? [] : [{ tag, label }];
  });
  const sorted = named.toSorted((a, b) => rank(a.tag) - rank(b.tag) || (a.tag < b.tag ? -1 : 1));
  const taken = new Set<string>();
  return sorted.map(({ tag, label }) => {
    const known = taken.has(label);
    taken.add(label);
    return { tag, label: known ? `${label} (${tag})` : label };
  });
}

const rank = (tag: string): number => (NUMBERED.test(tag) ? 1 : 0);

function labelOf(tag: string): string | undefined {
  const [, kind, number] = NUMBERED.exec(tag) ?? [];
  if (kind === undefined) return REGISTERED[tag];
  return `${kind === 'ss' ? 'Stylistic set' : 'Character variant'} ${Number(number)}`;
}
