import { expect, test } from '@jest/globals';
import { DEMO_TEMPLATES } from '../../../demo/templates';
import { edition } from '../../../demo/testing/prove';
import { serverFonts } from '../../server/fontFiles';
import { createRasterEyes } from '../../server/rasterEyes';
import { FIRST_HOUSE } from '../model/house';
import type { Template } from '../model/template';
import { testTemplate, testText } from '../testing';
import { RATES } from '../time/rates';
import type { Finding } from './finding';
import { checksOfOthers, ownWords } from './ownWords';
import { Proofer } from './proofer';
import { NO_SPELLER } from './speller';

async function look(template: Template): Promise<readonly Finding[]> {
  const { clip, plan, title } = ownWords(template);
  const house = {
    ...FIRST_HOUSE,
    checks: { ...FIRST_HOUSE.checks, off: checksOfOthers(FIRST_HOUSE.checks.off, template) },
  };
  const proofer = new Proofer({ fonts: await serverFonts(), eyes: createRasterEyes(), speller: NO_SPELLER });
  const one = edition(template, title.editionId);
  proofer.update([title], {
    projectName: '',
    rate: RATES.get(template.rate),
    clips: [clip],
    plan,
    house,
    editions: new Map([[one.id, one]]),
    newest: new Map(),
  });
  let found: readonly Finding[] = [];
  for (let step = await proofer.step(); step !== null; step = await proofer.step())
    found = step.get(title.id) ?? found;
  expect(proofer.isComplete(title.id)).toBe(true);
  return found;
}

test.each(DEMO_TEMPLATES.map((template) => [template.name, template] as const))(
  '%s has nothing wrong with its own words',
  async (_, template) => {
    // Wide and tall: the others lie between.
    const formats = template.formats.slice(0, 2);
    expect(
      (await look({ ...template, formats })).map(({ deliveryId, message }) => `${deliveryId} ${message}`),
    ).toEqual([]);
  },
);

test('a stand-in and a made-up name are fine as own words; words that leave the picture are not', async () => {
  const words = testText('line', 'Name Surname');
  const far = { ...words, place: { ...words.place, dxU: 1700 } };
  const found = await look(testTemplate([far], { formats: ['wide-1080', 'tall-1080'] }));
  expect(found.some(({ check }) => check === 'safe')).toBe(true);
  expect(found.some(({ check }) => check === 'placeholder')).toBe(false);
});
