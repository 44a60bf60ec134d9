import type { DeskProject, ProjectRevisions } from '@/contract/projects';
import { withoutRevision } from '@/contract/projects';
import type { Cue } from '@/core/model/captions';
import type { Plan } from '@/core/model/plan';
import type { Clip, Title } from '@/core/model/project';
import { mergeEntry, mergeList } from '@/core/kit/mergeParts';
import { sameValue } from '@/core/kit/sameValue';
import type { CellConflict } from '@/core/project/mergeWork';
import { mergePlan, mergeTitle } from '@/core/project/mergeWork';
import { withCellValue } from '@/core/project/titleCells';
import type { Work } from '@/core/project/work';
import { workOf } from '@/core/project/work';
import { ask, RefusedError, UnreachableError } from '../shared/api';
import { KeptDraft } from '../shared/keptDraft';
import type { DeskStore } from './deskStore';

interface Saved<T> {
  readonly value: T;
  readonly revision: number;
}

/** What of a desk is not on the server yet, and what it was made from. */
interface UnsavedWork {
  readonly base: Work;
  readonly mine: Work;
  /** Cells that nobody had chosen about yet. */
  readonly conflicts: readonly CellConflict[];
}

// Each begins from what the other desk has saved by then.
const MOST_ATTEMPTS = 4;
// A save while the page goes may carry 64 kB; larger ones are kept here and saved at the next opening.
const MOST_IN_A_SAVE = 1000;
// A letter takes up to three bytes, a request at most 4 MB.
const MOST_CHARACTERS = 1_200_000;

/**
 * A project on the server as this desk knows it. Only what changed is sent; what others changed is put together with
 * what was changed here, cell by cell.
 */
export class DeskDraft {
  /** By which the server's news tells this desk from others. */
  readonly deskId = Math.random().toString(36).slice(2);
  private titles: ReadonlyMap<string, Saved<Title>> = new Map();
  private clips: ReadonlyMap<string, Saved<Clip>> = new Map();
  private cues: ReadonlyMap<string, Saved<Cue>> = new Map();
  private plan: Saved<Plan>;
  private readonly path: string;
  private readonly kept: KeptDraft<UnsavedWork>;
  /** What the server was sent last; where it has that, it is this desk's own doing. */
  private readonly sent = new Map<string, Title>();

  constructor(
    project: DeskProject,
    private readonly store: DeskStore,
  ) {
    this.path = `projects/${encodeURIComponent(project.id)}`;
    this.kept = new KeptDraft(`gilder-desk-${project.id} `, this.deskId);
    const { titles, clips, cues, plan } = store.getState();
    this.titles = savedFrom(project.titles, titles);
    this.clips = savedFrom(project.clips, clips);
    this.cues = savedFrom(project.cues, cues);
    this.plan = { value: plan, revision: project.planRevision };
  }

  /** Saves what differs from the server's state; what others changed in between is put together with it first. */
  save = async (work: Work, leaving: boolean): Promise<void> => {
    await this.sendMerged(work, leaving);
    // While cells are in conflict, what is here is nowhere else.
    if (this.store.getState().conflicts.length > 0) await this.keep(this.store.getState());
    else await this.kept.drop();
  };

  private async sendMerged(work: Work, leaving: boolean): Promise<void> {
    let next = work;
    for (let attempt = 0; attempt < MOST_ATTEMPTS; attempt++) {
      try {
        return await this.send(next, leaving);
      } catch (error) {
        if (!(error instanceof RefusedError) || error.status !== 409) throw error;
        await this.catchUp();
        next = this.store.getState();
      }
    }
    throw new UnreachableError(
      'Another desk goes on saving at the same time. What is here is kept and tried again.',
    );
  }

  /** Keeps the work in the browser while it is not on the server. */
  keep = (work: Work): Promise<void> => this.kept.keep(this.unsaved(work));

  keepAsPageGoes = (work: Work): void => this.kept.keepAsPageGoes(this.unsaved(work));

  private unsaved(work: Work): UnsavedWork {
    const { conflicts } = this.store.getState();
    return { base: this.saved(), mine: workOf(work), conflicts };
  }

  /** The work as the server has it. */
  private saved(): Work {
    const { titles, clips, cues, plan } = this;
    return { titles: valuesOf(titles), clips: valuesOf(clips), cues: valuesOf(cues), plan: plan.value };
  }

  /** Takes up what earlier pages could not save, those that are still open left alone. Says whether there was anything. */
  async takeUpUnsaved(): Promise<boolean> {
    const before = this.store.getState().titles;
    await this.kept.takeUp(async (unsaved) => {
      const now = this.store.getState();
      const { work, conflicts } = mergeWorks(withCues(unsaved.base), withCues(unsaved.mine), now);
      const open = withConflicts(now.conflicts, unsaved.conflicts);
      this.store.setState({ conflicts: withConflicts(open, conflicts) });
      // No step of undo: it was done before.
      this.store.rebase(() => work);
      await this.keep(this.store.getState());
    });
    return !sameValue(this.store.getState().titles, before);
  }

  /** Fetches the project and puts what others changed together with what was changed here. */
  async catchUp(): Promise<DeskProject> {
    const project = await ask<DeskProject>(this.path);
    const theirs: Work = {
      titles: keepSame(project.titles.map(withoutRevision), this.titles),
      clips: keepSame(project.clips.map(withoutRevision), this.clips),
      cues: keepSame(project.cues.map(withoutRevision), this.cues),
      plan: sameValue(project.plan, this.plan.value) ? this.plan.value : project.plan,
    };
    const base: Work = { ...this.saved(), titles: this.knownTitles(theirs.titles) };
    const found: CellConflict[] = [];
    this.store.rebase((mine) => {
      const { work, conflicts } = mergeWorks(base, mine, theirs);
      if (mine.titles === this.store.getState().titles) found.push(...conflicts);
      return work;
    });
    const { conflicts } = this.store.getState();
    if (found.length > 0) this.store.setState({ conflicts: withConflicts(conflicts, found) });
    this.titles = savedFrom(project.titles, theirs.titles);
    this.clips = savedFrom(project.clips, theirs.clips);
    this.cues = savedFrom(project.cues, theirs.cues);
    this.plan = { value: theirs.plan, revision: project.planRevision };
    // At once: what is in conflict is nowhere else, and the page may go at any time.
    if (found.length > 0) await this.keep(this.store.getState());
    return project;
  }

  /**
   * The titles that changes count from: as the server had them last, or, where its answer to a save was lost on the way,
   * as they were sent. So what this desk did itself is never in conflict with what it does next.
   */
  private knownTitles(theirs: readonly Title[]): readonly Title[] {
    const there = new Map(theirs.map((title) => [title.id, title]));
    const sent = (id: string): Title | undefined => {
      const [one, now] = [this.sent.get(id), there.get(id)];
      return one !== undefined && now !== undefined && sameValue(one, now) ? one : undefined;
    };
    const known = valuesOf(this.titles).map((title) => sent(title.id) ?? title);
    const fresh = theirs.flatMap(({ id }) => (this.titles.has(id) ? [] : (sent(id) ?? [])));
    return [...known, ...fresh];
  }

  /** Saves the titles, then the cues, in as many requests as they need; the last takes clips and plan along. */
  private async send(work: Work, leaving: boolean): Promise<void> {
    const titles = changesOf(this.titles, withoutConflicts(work.titles, this.store.getState().conflicts));
    const clips = changesOf(this.clips, work.clips);
    const cues = changesOf(this.cues, work.cues);
    const plan = work.plan === this.plan.value ? null : { value: work.plan, revision: this.plan.revision };
    const [titleParts, cueParts] = [inParts(titles), inParts(cues)];
    const together = titleParts.length === 1 && cueParts.length === 1 && fitTogether(titles, cues);
    const parts: SavePart[] = together
      ? [{ ...NO_CHANGE, titles, cues }]
      : [
          ...titleParts.map((part) => ({ ...NO_CHANGE, titles: part })),
          ...cueParts.map((part) => ({ ...NO_CHANGE, cues: part })),
        ];
    if (parts.length === 0 && countOf(clips) === 0 && plan === null) return;
    const last: SavePart = { ...(parts.pop() ?? NO_CHANGE), clips, plan };
    for (const part of [...parts, last]) await this.sendPart(part, leaving && parts.length === 0);
  }

  private async sendPart(part: SavePart, keepalive: boolean): Promise<void> {
    for (const { value } of part.titles.put) this.sent.set(value.id, value);
    const answer = await ask<ProjectRevisions>(`${this.path}/changes`, {
      method: 'POST',
      body: { by: this.deskId, ...part },
      keepalive,
    });
    this.titles = afterSave(this.titles, part.titles, answer.titles);
    this.clips = afterSave(this.clips, part.clips, answer.clips);
    this.cues = afterSave(this.cues, part.cues, answer.cues);
    if (part.plan !== null && answer.plan !== null)
      this.plan = { value: part.plan.value, revision: answer.plan };
  }
}

interface RowChanges<T> {
  readonly put: readonly { readonly value: T; readonly revision: number | null }[];
  readonly remove: readonly { readonly id: string; readonly revision: number }[];
}

const NOTHING: RowChanges<never> = { put: [], remove: [] };

/** What one request saves. */
interface SavePart {
  readonly titles: RowChanges<Title>;
  readonly clips: RowChanges<Clip>;
  readonly cues: RowChanges<Cue>;
  readonly plan: Saved<Plan> | null;
}

const NO_CHANGE: SavePart = { titles: NOTHING, clips: NOTHING, cues: NOTHING, plan: null };

const countOf = ({ put, remove }: RowChanges<unknown>): number => put.length + remove.length;

const fitTogether = (...all: readonly RowChanges<unknown>[]): boolean =>
  all.reduce((sum, one) => sum + countOf(one), 0) <= MOST_IN_A_SAVE &&
  JSON.stringify(all).length <= MOST_CHARACTERS;

/** Work that was kept before there were captions has none. */
function withCues(work: Omit<Work, 'cues'> & Partial<Pick<Work, 'cues'>>): Work {
  return { ...work, cues: work.cues ?? [] };
}

function changesOf<T extends { readonly id: string }>(
  saved: ReadonlyMap<string, Saved<T>>,
  now: readonly T[],
): RowChanges<T> {
  const put = now
    .filter((one) => saved.get(one.id)?.value !== one)
    .map((value) => ({ value, revision: saved.get(value.id)?.revision ?? null }));
  const ids = new Set(now.map(({ id }) => id));
  const remove = [...saved].filter(([id]) => !ids.has(id)).map(([id, { revision }]) => ({ id, revision }));
  return { put, remove };
}

/** Changes in as many parts as requests may carry them in. */
function inParts<T>({ put, remove }: RowChanges<T>): RowChanges<T>[] {
  const parts: RowChanges<T>[] = [];
  let part: { value: T; revision: number | null }[] = [];
  let characters = 0;
  for (const one of put) {
    const size = JSON.stringify(one).length;
    if (part.length === MOST_IN_A_SAVE || (part.length > 0 && characters + size > MOST_CHARACTERS)) {
      parts.push({ put: part, remove: [] });
      part = [];
      characters = 0;
    }
    part.push(one);
    characters += size;
  }
  if (part.length > 0) parts.push({ put: part, remove: [] });
  for (let i = 0; i < remove.length; i += MOST_IN_A_SAVE)
    parts.push({ put: [], remove: remove.slice(i, i + MOST_IN_A_SAVE) });
  return parts;
}

function afterSave<T extends { readonly id: string }>(
  saved: ReadonlyMap<string, Saved<T>>,
  { put, remove }: RowChanges<T>,
  revisions: Readonly<Record<string, number>>,
): ReadonlyMap<string, Saved<T>> {
  const next = new Map(saved);
  for (const { value } of put) next.set(value.id, { value, revision: revisions[value.id] });
  for (const { id } of remove) next.delete(id);
  return next;
}

/** The conflicts with newer ones; a cell that is in conflict again has what is there now. */
function withConflicts(open: readonly CellConflict[], newer: readonly CellConflict[]): CellConflict[] {
  const again = new Set(newer.map(({ titleId, cell }) => `${titleId} ${cell}`));
  return [...open.filter(({ titleId, cell }) => !again.has(`${titleId} ${cell}`)), ...newer];
}

/** The titles as they are saved while cells are in conflict: those cells as the other desk has them. */
function withoutConflicts(titles: readonly Title[], conflicts: readonly CellConflict[]): readonly Title[] {
  if (conflicts.length === 0) return titles;
  return titles.map((title) =>
    conflicts
      .filter((one) => one.titleId === title.id)
      .reduce((now, one) => withCellValue(now, one.cell, one.theirs), title),
  );
}

function mergeWorks(
  base: Work,
  mine: Work,
  theirs: Work,
): { readonly work: Work; readonly conflicts: readonly CellConflict[] } {
  const conflicts: CellConflict[] = [];
  const titles = mergeList(base.titles, mine.titles, theirs.titles, (was, here, there) => {
    const merged = mergeTitle(was, here, there);
    conflicts.push(...merged.conflicts);
    return merged.title;
  });
  const clips = mergeList(base.clips, mine.clips, theirs.clips, mergeEntry);
  const cues = mergeList(base.cues, mine.cues, theirs.cues, mergeEntry);
  const plan = mergePlan(base.plan, mine.plan, theirs.plan);
  return { work: { titles, clips, cues, plan }, conflicts };
}

function savedFrom<T extends { readonly id: string }>(
  records: readonly { readonly id: string; readonly revision: number }[],
  values: readonly T[],
): ReadonlyMap<string, Saved<T>> {
  const byId = new Map(values.map((value) => [value.id, value]));
  return new Map(
    records.flatMap(({ id, revision }) => {
      const value = byId.get(id);
      return value === undefined ? [] : [[id, { value, revision }]];
    }),
  );
}

/** The same objects where the server has nothing new, so that they count as saved. */
function keepSame<T extends { readonly id: string }>(
  list: readonly T[],
  saved: ReadonlyMap<string, Saved<T>>,
): readonly T[] {
  return list.map((one) => {
    const known = saved.get(one.id)?.value;
    return known !== undefined && sameValue(known, one) ? known : one;
  });
}

function valuesOf<T>(saved: ReadonlyMap<string, Saved<T>>): readonly T[] {
  return [...saved.values()].map(({ value }) => value);
}
