import { describe, expect, test } from '@jest/globals';
import { testTemplate, testText } from '../testing';
import { runsRightToLeft, templateRunsRightToLeft } from './wordsDirection';

describe('which way words run', () => {
  test.each([
    ['Ilse Marrow', false],
    ['نور الهلالي', true],
    ['שלומית בר', true],
    // Figures and signs have no direction of their own, nor have Arabic-Indic figures.
    ['12:30 – 14:00', false],
    ['١٢:٣٠', false],
    ['', false],
    // A Latin name inside does not turn a sentence round, and an Arabic one does not either.
    ['مرشدة المد والجزر في Osier', true],
    ['The pilot نور of Osier Reach', false],
    // As many of the one as of the other: it stays as it was drawn.
    ['אבab', false],
  ])('%s', (words, expected) => {
    expect(runsRightToLeft(words)).toBe(expected);
  });

  test('what editors fill decides, else all words', () => {
    const layers = [testText('name', 'نور'), testText('brand', 'CHANNEL OSIER LIVE TONIGHT')];
    const field = {
      id: 'f',
      label: 'Name',
      kind: 'text',
      help: '',
      required: true,
      section: '',
      automatic: null,
      targets: [{ layerId: 'name', path: 'text' }],
      limits: {},
    } as const;
    expect(templateRunsRightToLeft(testTemplate(layers, { fields: [field] }))).toBe(true);
    expect(templateRunsRightToLeft(testTemplate(layers))).toBe(false);
    const hidden = [{ ...layers[0], visible: false }, layers[1]];
    expect(templateRunsRightToLeft(testTemplate(hidden, { fields: [field] }))).toBe(false);
  });
});
