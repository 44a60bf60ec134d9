import { nanoid } from 'nanoid';
import type {
  DeskProject,
  ProjectChanges,
  ProjectRecord,
  ProjectRevisions,
  ProjectSummary,
  RowChanges,
  Saved,
} from '@/contract/projects';
import { withoutRevision } from '@/contract/projects';
import { parseCue } from '@/core/model/captions';
import { parsePlan } from '@/core/model/plan';
import { newClip, parseClip, parseProjectSettings, parseTitle } from '@/core/model/project';
import { sameValue } from '@/core/kit/sameValue';
import { changeRate } from '@/core/project/changeRate';
import { InputError } from '@/core/kit/inputError';
import { SCENES } from '@/core/scenes';
import { RATES, secondsToNearestFrames } from '@/core/time/rates';
import {
  changeProject,
  changeSettings,
  findProject,
  forgetEmptied,
  insertProject,
  isProject,
  listProjects,
} from '@/db/projects';
import type { Db } from '@/db/open';
import { editionIdsFor, knownEditions, readEditions } from '@/db/templates';
import { NotFoundError, readId, readRevision } from '../respond';
import { workshop } from '../workshop';
import { refuseDeleted } from './room';

/** All projects. */
export async function getProjects(): Promise<ProjectSummary[]> {
  return listProjects((await workshop()).db);
}

/** A project that is in use. Throws NotFoundError, and GoneError for one that was deleted. */
async function presentProject(db: Db, id: string): Promise<ProjectRecord> {
  const project = await findProject(db, readId(id, 'project'));
  if (project === undefined) throw new NotFoundError(`There is no project "${id}".`);
  await refuseDeleted(db, 'project', id);
  return project;
}

/**
 * A project with its clips, titles and the editions they use; one more edition where it is to be placed at once. Throws
 * NotFoundError, and GoneError for one that was deleted.
 */
export async function getProject(id: string, placeEditionId: string | null = null): Promise<DeskProject> {
  const { db } = await workshop();
  const project = await presentProject(db, id);
  const { used: byTitles, newest } = await editionIdsFor(db, id);
  const byCaptions = (project.plan.captions ?? []).flatMap(({ editionId }) => editionId ?? []);
  const used = [
    ...new Set([...byTitles, ...byCaptions, ...(placeEditionId === null ? [] : [placeEditionId])]),
  ];
  const first = await readEditions(db, used);
  const templates = new Set(first.map(({ templateId }) => templateId));
  const known = new Set(first.map((edition) => edition.id));
  const missing = newest.filter((one) => !known.has(one.id));
  const newer = missing.filter(({ templateId }) => templates.has(templateId)).map((one) => one.id);
  const otherEditions = missing.filter(({ templateId }) => !templates.has(templateId)).map((one) => one.id);
  return { ...project, editions: [...first, ...(await readEditions(db, newer))], otherEditions };
}

const STARTING_CLIP_SECONDS = 12;

/** Starts a project; its strip is empty, or holds each stand-in picture once where that is asked for. Gives its id. */
export async function startProject(input: unknown): Promise<string> {
  const { standIns = false, ...asked } = Object(input);
  if (typeof standIns !== 'boolean') throw InputError.of('New project, standIns', 'true or false', standIns);
  const settings = parseProjectSettings(asked, 'New project');
  const length = secondsToNearestFrames(STARTING_CLIP_SECONDS, RATES.get(settings.rate));
  const clips = (standIns ? SCENES.list : []).map((scene, i) =>
    newClip({
      id: nanoid(12),
      picture: scene.id,
      label: scene.label,
      startFrame: i * length,
      lengthFrames: length,
    }),
  );
  const id = nanoid(12);
  await insertProject((await workshop()).db, id, settings, clips);
  return id;
}

/**
 * Saves changes to a project's titles, clips, captions and plan, all or none; gives the new revisions. Other desks are told.
 * Throws InputError and StaleWriteError.
 */
export async function putChanges(
  projectId: string,
  body: Record<string, unknown>,
): Promise<ProjectRevisions> {
  const { db, news } = await workshop();
  if (!(await isProject(db, readId(projectId, 'project'))))
    throw new NotFoundError(`There is no project "${projectId}".`);
  await refuseDeleted(db, 'project', projectId);
  const changes = parseChanges(body);
  await refuseUnknownEditions(db, changes);
  const revisions = await changeProject(db, projectId, changes);
  const by = typeof body.by === 'string' ? body.by.slice(0, 40) : '';
  news.tell({ kind: 'project', projectId, by });
  return revisions;
}

/** Titles and caption tracks are painted with editions that exist. Throws InputError. */
async function refuseUnknownEditions(db: Db, { titles, plan }: ProjectChanges): Promise<void> {
  const wanted = new Map(titles.put.map(({ value }) => [value.editionId, 'Title, editionId']));
  for (const { editionId, name } of plan?.value.captions ?? [])
    if (editionId !== null) wanted.set(editionId, `Captions "${name}", editionId`);
  const known = await knownEditions(db, [...wanted.keys()]);
  for (const [editionId, where] of wanted)
    if (!known.has(editionId)) throw InputError.of(where, 'an edition that exists', editionId);
}

/** Forgets which sample words became empty: somebody has seen the list. Throws NotFoundError. */
export async function seeEmptied(projectId: string): Promise<void> {
  const { db } = await workshop();
  if (!(await isProject(db, readId(projectId, 'project'))))
    throw new NotFoundError(`There is no project "${projectId}".`);
  await forgetEmptied(db, projectId);
}

/**
 * Changes a project's name, production, format and rate. A new rate keeps the time of everything; a new format is that of
 * the master. Other desks are told. Throws InputError, NotFoundError and StaleWriteError.
 */
export async function putSettings(projectId: string, body: Record<string, unknown>): Promise<void> {
  const { db, news } = await workshop();
  const settings = parseProjectSettings(body.settings);
  const before = await presentProject(db, projectId);
  const { plan: was } = before;
  const work = {
    titles: before.titles.map(withoutRevision),
    clips: before.clips.map(withoutRevision),
    cues: before.cues.map(withoutRevision),
    plan: was,
  };
  const [from, to] = [RATES.get(before.settings.rate), RATES.get(settings.rate)];
  const next = from === to ? work : changeRate(work, from, to).work;
  const [master, ...others] = next.plan.deliveries;
  const plan = { ...next.plan, deliveries: [{ ...master, format: settings.format }, ...others] };
  const put = <T>(list: readonly T[], old: readonly Saved<T>[]) =>
    from === to ? [] : list.map((value, i) => ({ value, revision: old[i].revision }));
  await changeSettings(db, projectId, settings, {
    titles: { put: put(next.titles, before.titles), remove: [] },
    clips: { put: put(next.clips, before.clips), remove: [] },
    cues: { put: put(next.cues, before.cues), remove: [] },
    plan: sameValue(plan, was) ? null : { value: plan, revision: before.planRevision },
  });
  news.tell({ kind: 'project', projectId, by: '' });
}

/** Makes a copy of a project with everything in it; gives its id. Throws NotFoundError and GoneError. */
export async function copyProject(projectId: string): Promise<string> {
  const { db } = await workshop();
  const from = await presentProject(db, projectId);
  const id = nanoid(12);
  const ids = new Map([...from.titles, ...from.cues].map((one) => [one.id, nanoid(12)]));
  // What was decided about findings of a title or a cue was decided about its copy too.
  const setAside = from.plan.setAside.map((one) => ({
    ...one,
    key: one.key
      .split(' ')
      .map((part) => ids.get(part) ?? part)
      .join(' '),
  }));
  const name = `${from.settings.name}, copy`.slice(0, 80);
  const clips = from.clips.map((clip) => ({ ...withoutRevision(clip), id: nanoid(12) }));
  await insertProject(db, id, { ...from.settings, name }, clips, { ...from.plan, setAside });
  await changeProject(db, id, {
    titles: {
      put: from.titles.map((title) => ({
        value: { ...withoutRevision(title), id: ids.get(title.id) ?? nanoid(12) },
        revision: null,
      })),
      remove: [],
    },
    clips: { put: [], remove: [] },
    cues: {
      put: from.cues.map((cue) => ({
        value: { ...withoutRevision(cue), id: ids.get(cue.id) ?? nanoid(12) },
        revision: null,
      })),
      remove: [],
    },
    plan: null,
  });
  return id;
}

function parseChanges(body: Record<string, unknown>): ProjectChanges {
  const { plan } = body;
  return {
    titles: parseRows(body.titles, 'Title', parseTitle),
    clips: parseRows(body.clips, 'Clip', parseClip),
    cues: parseRows(body.cues, 'Cue', parseCue),
    plan:
      plan === null || plan === undefined
        ? null
        : { value: parsePlan(Reflect.get(Object(plan), 'value')), revision: planRevision(plan) },
  };
}

function planRevision(plan: unknown): number {
  const revision: unknown = Reflect.get(Object(plan), 'revision');
  return revision === 0 ? 0 : readRevision(revision, 'Plan, revision');
}

function parseRows<T>(
  value: unknown,
  what: string,
  parse: (value: unknown, where: string) => T,
): RowChanges<T> {
  const rows = { put: [], remove: [], ...Object(value ?? {}) };
  return {
    put: listOf(rows.put, `${what}, put`).map((entry, i) => ({
      value: parse(entry.value, `${what} ${i + 1}`),
      revision: entry.revision === null ? null : readRevision(entry.revision, `${what} ${i + 1}, revision`),
    })),
    remove: listOf(rows.remove, `${what}, remove`).map((entry, i) => {
      const where = `Removed ${what.toLowerCase()} ${i + 1}`;
      if (typeof entry.id !== 'string') throw InputError.of(`${where}, id`, 'an id', entry.id);
      return { id: entry.id, revision: readRevision(entry.revision, `${where}, revision`) };
    }),
  };
}

function listOf(value: unknown, where: string): Record<string, unknown>[] {
  if (!Array.isArray(value) || value.length > 10_000)
    throw InputError.of(`Request, ${where}`, 'a list of at most 10 000', value);
  return value.map((entry: unknown, i) => {
    if (typeof entry !== 'object' || entry === null)
      throw InputError.of(`Request, ${where} ${i + 1}`, 'an object', entry);
    return { ...entry };
  });
}
