import { describe, expect, test } from '@jest/globals';
import { standInIn } from './standIns';

describe('words that stand in for others', () => {
  test.each([
    'TBC',
    't.b.a.',
    'xx',
    'XXXXXX',
    'Name Surname',
    'Lorem ipsum',
    'Lorem ipsum dolor sit amet',
    'À confirmer',
    'Vorname Nachname',
    'por confirmar',
    'Nome Cognome',
    'Όνομα Επώνυμο',
    'Имя Фамилия',
    'الاسم هنا',
    'יעודכן',
    'नाम उपनाम',
    '???',
    '(name here)',
    '…to come…',
  ])('“%s” is one', (words) => {
    expect(standInIn(words, [])).toBe(words);
  });

  test.each([
    '',
    'Ilse Marrow',
    'Teo Vance',
    'Noor Halloran',
    'The name here is Osier',
    'To come down the weir',
    'XX. Regatta',
    'Maxx Xander',
    'نور الهلالي',
    'सीमा घाटे',
    'Имя ей Нина',
    'Question: why?',
    '12',
    'N/A',
    '–',
  ])('“%s” is none', (words) => {
    expect(standInIn(words, [])).toBeNull();
  });

  test('a line or a cell that is one is told alone, and a House has its own', () => {
    expect(standInIn('Ilse Marrow\ntbc', [])).toBe('tbc');
    expect(standInIn('Heron\tTBA\nSwan\t4:12', [])).toBe('TBA');
    expect(standInIn('Guest One', ['guest one'])).toBe('Guest One');
    expect(standInIn('Guest One', [])).toBeNull();
  });
});
