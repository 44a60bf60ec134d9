/**
 * What is typed in place of words that are not known yet, in the languages of the scripts that ship: to be confirmed, to
 * come, name here, and filler text. Compared without capitals, accents, stops and spaces between.
 */
const STAND_INS = [
  // English and letters that are no words.
  'tbc',
  'tba',
  'tbd',
  'to be confirmed',
  'to be announced',
  'to come',
  'tktk',
  'name',
  'name here',
  'name surname',
  'first name last name',
  'firstname lastname',
  'full name',
  'your name',
  'title here',
  'text here',
  'insert name',
  'insert text',
  'placeholder',
  'lorem ipsum',
  'lorem ipsum dolor sit amet',
  'dummy text',
  'sample text',
  'xx',
  'xxx',
  'xxxx',
  'asdf',
  '???',
  // French, German, Spanish, Portuguese, Italian, Dutch.
  'a confirmer',
  'nom prenom',
  'prenom nom',
  'texte ici',
  'vorname nachname',
  'name vorname',
  'wird noch bestatigt',
  'platzhalter',
  'por confirmar',
  'nombre apellido',
  'nombre y apellidos',
  'nome apelido',
  'nome sobrenome',
  'a confirmar',
  'da confermare',
  'nome cognome',
  'voornaam achternaam',
  'volgt nog',
  // Greek, Russian, Arabic, Hebrew, Hindi.
  'ονομα επωνυμο',
  'προς επιβεβαιωση',
  'имя фамилия',
  'уточняется',
  'الاسم',
  'الاسم هنا',
  'يحدد لاحقا',
  'שם משפחה',
  'יעודכן',
  'नाम',
  'नाम उपनाम',
  'पुष्टि बाकी',
];

/** Words as they are compared: without capitals, accents, stops and spaces between. */
function plain(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{Mn}/gu, (mark) => (/[\u0300-\u036f]/.test(mark) ? '' : mark))
    .toLocaleLowerCase('und')
    .replace(/[\s\p{Pd}_.,:;…()[\]{}<>«»“”"'’*]+/gu, '');
}

const KNOWN = new Set(STAND_INS.map(plain));

/**
 * The stand-in that a text or one of its lines or cells is, as it was typed; null where there is none. Words of a whole
 * sentence are no stand-in because one of them is on the list.
 */
export function standInIn(text: string, own: readonly string[]): string | null {
  const ours = new Set(own.map(plain));
  for (const part of text.split(/[\n\t]/)) {
    const said = plain(part);
    if (said === '') continue;
    if (KNOWN.has(said) || ours.has(said) || /^(x{2,}|\?{2,}|#{2,})$/u.test(said)) return part.trim();
  }
  return null;
}
