import { cueTitle } from '@/core/captions/cueTitle';
import { PLAIN_CAPTION_ID } from '@/core/captions/plainCaption';
import type { Cue } from '@/core/model/captions';
import { creditPictures, creditWords } from '@/core/model/credits';
import type { Title } from '@/core/model/project';
import { layerWords } from '@/core/model/template';
import { lateFacesFor } from '@/core/faces/fallback';
import { everyFace } from '@/core/resolve/faces';
import { chosenPictures, everyPicture } from '@/core/resolve/pictures';
import { FORMATS } from '@/core/frame/formats';
import { displayAspect } from '@/core/proof/eyes';
import { Proofer } from '@/core/proof/proofer';
import type { ProofSurroundings } from '@/core/proof/titleContext';
import type { TrialOutcome } from '@/core/proof/tryMend';
import { momentsUnder, picturesUnder } from '@/core/proof/underTitle';
import { quietMap } from '@/core/quiet/quietMap';
import { RATES } from '@/core/time/rates';
import { loadFonts, loadFontsFor, onFonts } from '@/ui/picture/fontStore';
import { loadedSizes, loadPicture } from '@/ui/picture/pictureStore';
import { createBrowserEyes } from './browserEyes';
import { Dictionaries, fetchDictionary } from './dictionary';
import type { ProofReply, ProofRequest, ProofWork } from './proofMessages';

/*
 * Proofs a project in the background. Messages only say what is there; the work goes on by itself in small steps, so
 * that what changed in between is taken up at the next one.
 */
const eyes = createBrowserEyes();
const speller = new Dictionaries(fetchDictionary);
const titles = new Map<string, Title>();
let order: readonly string[] = [];
const cues = new Map<string, Cue>();
let around: ProofSurroundings | null = null;
let proofer: Promise<Proofer> | null = null;
/** All that messages so far have asked for. */
let loads: Promise<unknown> = Promise.resolve();
let working = false;
let focused: string | null = null;
let turn = 0;

addEventListener('message', ({ data }: MessageEvent<ProofRequest>) => {
  void handle(data).catch(fail);
});

/** How often the House's fonts have changed: what was looked at before is looked at again. */
let fontsTurn = 0;
onFonts(() => {
  fontsTurn += 1;
  proofer = createProofer();
  void startOver(proofer).catch(fail);
});

async function startOver(making: Promise<Proofer>): Promise<void> {
  const made = await making;
  if (around === null) return;
  made.update(everyTitle(around), around);
  await work(made);
}

/** All that is typed into a title. */
function everyWord({ values, perDelivery, credits }: Title): string[] {
  const typed = [values, ...Object.values(perDelivery).map((own) => own.values)];
  return [...typed.flatMap<string>(Object.values), ...(credits?.rows ?? []).map(creditWords)];
}

/** The faces of all editions, and those that stand in for letters of their words and of what changed. */
function facesIn(
  { editions }: ProofSurroundings,
  { changed, changedCues = [] }: Pick<ProofWork, 'changed' | 'changedCues'>,
): string[] {
  const documents = [...editions.values()].map(({ document }) => document);
  const words = [
    ...documents.flatMap(({ layers }) => layers.map(layerWords)),
    ...changed.flatMap(everyWord),
    ...changedCues.flatMap(({ words, speaker }) => [words, speaker]),
  ].join('\n');
  return [...documents.flatMap(everyFace), ...lateFacesFor(words)];
}

function fail(error: unknown): void {
  reply({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
}

function reply(message: ProofReply): void {
  postMessage(message);
}

async function handle(message: ProofRequest): Promise<void> {
  proofer ??= createProofer();
  if (message.kind === 'quiet') return answerQuiet(message);
  if (message.kind === 'try') return answerTrials(message, await proofer);
  if (message.kind === 'focus') {
    focused = message.titleId;
    (await proofer).focus(message.titleId);
    return;
  }
  takeWork(message);
  if (around === null) return;
  // What an earlier message asked for counts too: a video takes a while to open.
  loads = Promise.all([
    loads.catch(() => undefined),
    speller.load(languagesIn(around)),
    loadFontsFor(facesIn(around, message)),
    loadTitlePictures(message.editions === undefined ? message.changed : titles.values()),
  ]);
  await loads;
  // Fonts that came meanwhile have had it made anew.
  const made = await proofer;
  const waiting = made.update(everyTitle(around), around);
  // While pictures were loaded, a later message may have overtaken this one.
  turn = Math.max(turn, message.turn);
  const changed = [...message.changed, ...(message.changedCues ?? [])];
  const looked = changed.flatMap(({ id }) => (made.isComplete(id) ? id : []));
  reply({ kind: 'taken', turn, waiting, looked });
  // Not waited for: messages go on being answered. What stops it is told all the same.
  void work(made).catch(fail);
}

/** The titles and the cues as titles, in the order of their starts. */
function everyTitle({ plan, editions }: ProofSurroundings): readonly Title[] {
  const own = order.flatMap((id) => titles.get(id) ?? []);
  if (cues.size === 0) return own;
  const tracks = new Map(plan.captions?.map((track) => [track.id, track]));
  const said = [...cues.values()].flatMap((cue) => {
    const track = tracks.get(cue.trackId);
    const template = editions.get(track?.editionId ?? PLAIN_CAPTION_ID)?.document;
    return track === undefined || template === undefined
      ? []
      : cueTitle(cue, track, template, cue.place === 'top');
  });
  return [...own, ...said].toSorted((a, b) => a.startFrame - b.startFrame);
}

/** The languages that words of a project are in. */
function languagesIn({ plan, house, editions }: ProofSurroundings): Set<string> {
  const fields = [...editions.values()].flatMap(({ document }) => document.fields);
  const said = [...fields, ...plan.deliveries, ...(plan.captions ?? []), plan, house];
  const tags = said.flatMap(({ language }) => language ?? []);
  return new Set(tags);
}

async function answerTrials(
  { request, trials }: Extract<ProofRequest, { kind: 'try' }>,
  made: Proofer,
): Promise<void> {
  const outcomes: (TrialOutcome | null)[] = [];
  for (const trial of trials) outcomes.push(await made.tryMend(trial));
  reply({ kind: 'tried', request, outcomes });
}

function takeWork(work: ProofWork): void {
  for (const title of work.changed) titles.set(title.id, title);
  order = work.order ?? order;
  const present = new Set(order);
  for (const id of titles.keys()) if (!present.has(id)) titles.delete(id);
  for (const cue of work.changedCues ?? []) cues.set(cue.id, cue);
  if (work.cueOrder !== undefined) {
    const said = new Set(work.cueOrder);
    for (const id of cues.keys()) if (!said.has(id)) cues.delete(id);
  }
  const { clips, plan, house, editions, project } = work;
  const before = around;
  if (before === null && (!clips || !plan || !house || !editions || !project)) return;
  const byId = editions && new Map(editions.map((edition) => [edition.id, edition]));
  const newest =
    editions && new Map(editions.toSorted((a, b) => a.number - b.number).map((one) => [one.templateId, one]));
  around = {
    clips: clips ?? before?.clips ?? [],
    plan: plan ?? before?.plan ?? { deliveries: [], markers: [], words: [], setAside: [] },
    house: house ?? before?.house ?? Object.create(null),
    editions: byId ?? before?.editions ?? new Map(),
    newest: newest ?? before?.newest ?? new Map(),
    cues,
    projectName: project?.name ?? before?.projectName ?? '',
    rate: project === undefined ? (before?.rate ?? RATES.get('25')) : RATES.get(project.rate),
  };
}

async function loadTitlePictures(list: Iterable<Title>): Promise<void> {
  const wanted = new Set<string>();
  for (const { editionId, values, perDelivery, credits } of list) {
    const template = around?.editions.get(editionId)?.document;
    if (template === undefined) continue;
    for (const id of [...everyPicture(template), ...creditPictures(credits?.rows ?? [])]) wanted.add(id);
    const said = [values, ...Object.values(perDelivery).map((own) => own.values)];
    for (const one of said) for (const id of chosenPictures(template, one)) wanted.add(id);
  }
  await Promise.allSettled([...wanted].map(loadPicture));
}

async function createProofer(): Promise<Proofer> {
  const fonts = await loadFonts();
  const pictures = { size: (asset: string) => loadedSizes().size(asset) };
  return new Proofer({ fonts, eyes, speller, pictures });
}

// Findings are told this often, or the screen would do nothing but take them in.
const TELL_EVERY_MS = 120;

async function work(made: Proofer): Promise<void> {
  if (working) return;
  working = true;
  const asOf = fontsTurn;
  let changed = new Map<string, ProofFindings>();
  let told = performance.now();
  let toldOwn = false;
  const tell = (): void => {
    reply({
      kind: 'findings',
      turn,
      findings: [...changed].map(([id, list]) => [id, list, made.isComplete(id)]),
      progress: made.progress,
    });
    changed = new Map();
    told = performance.now();
  };
  try {
    for (let step = await made.step(); step !== null; step = await made.step()) {
      if (asOf !== fontsTurn) break;
      for (const [id, findings] of step) changed.set(id, findings);
      // What is worked on is told as soon as its words were looked at, and when all of it was.
      const own = focused !== null && step.has(focused);
      if (performance.now() - told > TELL_EVERY_MS || (own && (!toldOwn || made.isComplete(focused ?? ''))))
        tell();
      toldOwn = own;
      await nextTurn();
    }
  } finally {
    working = false;
    tell();
  }
  if (asOf !== fontsTurn && proofer !== null) await startOver(proofer);
}

const turns = new MessageChannel();

/** Lets waiting messages in. A timer would wait four milliseconds each time. */
function nextTurn(): Promise<void> {
  return new Promise((resolve) => {
    turns.port1.onmessage = () => resolve();
    turns.port2.postMessage(null);
  });
}

type ProofFindings = Extract<ProofReply, { kind: 'findings' }>['findings'][number][1];

async function answerQuiet(message: Extract<ProofRequest, { kind: 'quiet' }>): Promise<void> {
  const clips = around?.clips ?? [];
  const rate = around?.rate ?? RATES.get('25');
  const moments = momentsUnder(clips, message.fromFrame, message.toFrame, rate);
  const pictures = await picturesUnder(moments, eyes);
  const aspect = displayAspect(FORMATS.get(message.format));
  const map = quietMap(
    pictures.map(({ picture }) => picture),
    aspect,
  );
  reply({ kind: 'quiet', request: message.request, map });
}
