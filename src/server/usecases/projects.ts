import { nanoid } from 'nanoid';
import type { Clip } from '@/core/document/project';
import { parseClip, parseProjectSettings, parseTitle } from '@/core/document/project';
import { InputError } from '@/core/kit/inputError';
import { SCENES } from '@/core/scenes';
import { RATES, secondsToNearestFrames } from '@/core/units/rates';
import type { ProjectSummary, TitleChanges } from '@/db/projects';
import { changeTitles, findProject, insertProject, listProjects } from '@/db/projects';
import { listEditions } from '@/db/templates';
import { NotFoundError, readRevision } from '../respond';
import { workshop } from '../workshop';
import type { DeskProject } from './shapes';

/** All projects. */
export async function getProjects(): Promise<ProjectSummary[]> {
  return listProjects((await workshop()).db);
}

/** A project with its clips, titles and the editions they use. Throws NotFoundError. */
export async function getProject(id: string): Promise<DeskProject> {
  const { db } = await workshop();
  const project = await findProject(db, id);
  if (project === undefined) throw new NotFoundError(`There is no project "${id}".`);
  const used = new Set(project.titles.map((title) => title.editionId));
  const seen = new Set<string>();
  const editions = (await listEditions(db)).filter((edition) => {
    const newest = !seen.has(edition.templateId);
    seen.add(edition.templateId);
    return newest || used.has(edition.id);
  });
  return { ...project, editions };
}

const STARTING_CLIP_SECONDS = 12;

/** Starts a project whose strip holds each stand-in picture once; gives its id. */
export async function startProject(input: unknown): Promise<string> {
  const settings = parseProjectSettings(input, 'New project');
  const length = secondsToNearestFrames(STARTING_CLIP_SECONDS, RATES.get(settings.rate));
  const clips = SCENES.list.map((scene, i): Clip =>
    parseClip({
      id: nanoid(12),
      scene: scene.id,
      label: scene.label,
      startFrame: i * length,
      lengthFrames: length,
      sourceStartFrame: 0,
      place: '',
      recordedAt: '',
    }),
  );
  const id = nanoid(12);
  await insertProject((await workshop()).db, id, settings, clips);
  return id;
}

/** Saves changes to a project's titles, all or none; gives the new revisions by title id. */
export async function putTitles(
  projectId: string,
  body: Record<string, unknown>,
): Promise<Record<string, number>> {
  const { db } = await workshop();
  const changes = parseChanges(body);
  const known = new Set((await listEditions(db)).map((edition) => edition.id));
  for (const { title } of changes.put) {
    if (!known.has(title.editionId))
      throw InputError.of('Title, editionId', 'an edition that exists', title.editionId);
  }
  return changeTitles(db, projectId, changes);
}

function parseChanges(body: Record<string, unknown>): TitleChanges {
  return {
    put: listOf(body.put, 'put').map((entry, i) => ({
      title: parseTitle(entry.title, `Title ${i + 1}`),
      revision: entry.revision === null ? null : readRevision(entry.revision, `Title ${i + 1}, revision`),
    })),
    remove: listOf(body.remove, 'remove').map((entry, i) => {
      if (typeof entry.id !== 'string')
        throw InputError.of(`Removed title ${i + 1}, id`, 'a title id', entry.id);
      return { id: entry.id, revision: readRevision(entry.revision, `Removed title ${i + 1}, revision`) };
    }),
  };
}

function listOf(value: unknown, where: string): Record<string, unknown>[] {
  if (!Array.isArray(value) || value.length > 5000)
    throw InputError.of(`Request, ${where}`, 'a list of at most 5000', value);
  return value.map((entry: unknown, i) => {
    if (typeof entry !== 'object' || entry === null)
      throw InputError.of(`Request, ${where} ${i + 1}`, 'an object', entry);
    return { ...entry };
  });
}
