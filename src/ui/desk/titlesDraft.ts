import type { Title } from '@/core/document/project';
import type { SavedTitle } from '@/db/projects';
import type { DeskProject } from '@/server/usecases/shapes';
import { ask } from '../shared/api';
import type { Titles } from './deskStore';

interface Saved {
  readonly title: Title;
  readonly revision: number;
}

/** A title as the store keeps it: without what the server adds. */
export function toTitle({ id, editionId, startFrame, lengthFrames, lane, values }: SavedTitle): Title {
  return { id, editionId, startFrame, lengthFrames, lane, values };
}

/** A project's titles on the server, as this page knows them. Only those that changed are sent. */
export class TitlesDraft {
  private saved = new Map<string, Saved>();
  private readonly path: string;

  constructor(projectId: string, records: readonly SavedTitle[], kept: Titles) {
    this.path = `projects/${encodeURIComponent(projectId)}`;
    this.remember(records, kept);
  }

  save = async (titles: Titles, leaving: boolean): Promise<void> => {
    const put = titles
      .filter((title) => this.saved.get(title.id)?.title !== title)
      .map((title) => ({ title, revision: this.saved.get(title.id)?.revision ?? null }));
    const ids = new Set(titles.map((title) => title.id));
    const remove = [...this.saved]
      .filter(([id]) => !ids.has(id))
      .map(([id, { revision }]) => ({ id, revision }));
    if (put.length === 0 && remove.length === 0) return;
    const options = { method: 'POST', body: { put, remove }, keepalive: leaving } as const;
    const answer = await ask<{ revisions: Record<string, number> }>(`${this.path}/titles`, options);
    for (const { title } of put) this.saved.set(title.id, { title, revision: answer.revisions[title.id] });
    for (const { id } of remove) this.saved.delete(id);
  };

  /** What the server has now, and which of it this page did not know. From here on, saves are made from that. */
  async catchUp(): Promise<{ readonly theirs: Titles; readonly unknown: Titles }> {
    const { titles: records } = await ask<DeskProject>(this.path);
    const known = new Set(this.saved.keys());
    const theirs = records.map(toTitle);
    this.remember(records, theirs);
    return { theirs, unknown: theirs.filter((title) => !known.has(title.id)) };
  }

  private remember(records: readonly SavedTitle[], kept: Titles): void {
    const byId = new Map(kept.map((title) => [title.id, title]));
    this.saved = new Map(
      records.map((record) => {
        const title = byId.get(record.id) ?? toTitle(record);
        return [record.id, { title, revision: record.revision }];
      }),
    );
  }
}
