import { serverFonts } from '../../src/server/fontFiles';
import { createRasterEyes } from '../../src/server/rasterEyes';
import { tidelineStrap } from '../templates';
import { FIRST_HOUSE } from '../../src/core/model/house';
import type { Delivery, Plan } from '../../src/core/model/plan';
import { newPlan } from '../../src/core/model/plan';
import type { Clip, Title } from '../../src/core/model/project';
import { newClip, newTitle } from '../../src/core/model/project';
import type { Template } from '../../src/core/model/template';
import { RATES } from '../../src/core/time/rates';
import { CHECKS } from '../../src/core/proof/checks';
import type { Finding } from '../../src/core/proof/finding';
import { Proofer } from '../../src/core/proof/proofer';
import type { Speller } from '../../src/core/proof/speller';
import type { ProofEdition, ProofSurroundings } from '../../src/core/proof/titleContext';

const KNOWN = new Set([
  'lockkeeper',
  'osier',
  'reach',
  'the',
  'of',
  'upper',
  'weirs',
  'boats',
  'first',
  'sail',
  'tail',
  'marrow',
]);
export const speller: Speller = {
  languages: ['en'],
  correct: (word) => KNOWN.has(word.toLowerCase()),
  suggest: (word) => (word.toLowerCase() === 'lockeeper' ? ['Lockkeeper'] : []),
};
export const CLIPS = [
  newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 500 }),
  newClip({ id: 'b', picture: '#f0f0f0', startFrame: 500, lengthFrames: 500 }),
];
export const edition = (document: Template, id = 'e', number = 1): ProofEdition => ({
  id,
  templateId: document.name,
  number,
  document,
});
export const title = (
  values: Title['values'] = { name: 'Ilse', role: 'Lockkeeper' },
  more: Partial<Title> = {},
): Title =>
  newTitle({ id: 't', editionId: 'e', startFrame: 50, lengthFrames: 200, lane: 0, values, ...more });

interface Setup {
  readonly titles: readonly Title[];
  readonly template?: Template;
  readonly clips?: readonly Clip[];
  readonly deliveries?: readonly Delivery[];
  readonly more?: Partial<ProofSurroundings>;
  readonly plan?: Partial<Plan>;
  readonly spelling?: Speller;
  /** The only check that is run, by its id; all when left out. */
  readonly only?: string;
}

export async function prove({
  titles,
  template = tidelineStrap,
  clips = CLIPS,
  deliveries,
  more,
  plan,
  spelling = speller,
  only,
}: Setup): Promise<Finding[]> {
  const one = edition(template);
  const basePlan = newPlan('wide-1080');
  const around: ProofSurroundings = {
    projectName: 'Regatta',
    rate: RATES.get('25'),
    clips,
    plan: { ...basePlan, deliveries: deliveries ?? basePlan.deliveries, ...plan },
    house: FIRST_HOUSE,
    editions: new Map([[one.id, one]]),
    newest: new Map([[one.templateId, one]]),
    ...more,
  };
  const proofer = new Proofer({
    fonts: await serverFonts(),
    eyes: createRasterEyes(),
    speller: spelling,
    ...(only === undefined ? {} : { checks: [CHECKS.get(only)] }),
  });
  proofer.update(titles, around);
  const found = new Map<string, readonly Finding[]>();
  for (let step = await proofer.step(); step !== null; step = await proofer.step())
    for (const [id, list] of step) found.set(id, list);
  return [...found.values()].flat();
}

export const messages = async (setup: Setup): Promise<string[]> =>
  (await prove(setup)).map(({ message }) => message);
export const of = (findings: readonly Finding[], check: string): Finding[] =>
  findings.filter((one) => one.check === check);
