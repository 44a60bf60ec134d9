import type { TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import type { Change } from '@/core/draft/change';
import { changeBetween } from '@/core/draft/change';
import { ask } from '../../shared/api';
import { KeptDraft } from '../../shared/keptDraft';

/** What of a template is not on the server yet, and what it was made from. */
interface UnsavedTemplate {
  readonly base: Template;
  readonly mine: Template;
}

/** A template on the server, as this page knows it: every write names the revision it was made from. */
export class TemplateDraft {
  private revision: number;
  private readonly path: string;
  /** What the server was given last. */
  private saved: Template;
  private readonly kept: KeptDraft<UnsavedTemplate>;

  constructor(record: TemplateRecord) {
    this.revision = record.revision;
    this.saved = record.document;
    const pageId = Math.random().toString(36).slice(2);
    this.kept = new KeptDraft(`gilder-bench-${record.id} `, pageId);
    this.path = `templates/${encodeURIComponent(record.id)}`;
  }

  save = async (document: Template, leaving: boolean): Promise<void> => {
    const body = { revision: this.revision, document };
    const answer = await ask<{ revision: number }>(this.path, { method: 'PUT', body, keepalive: leaving });
    this.revision = answer.revision;
    this.saved = document;
    await this.kept.drop();
  };

  /** Keeps the template in the browser while it is not on the server. */
  keep = (mine: Template): Promise<void> => this.kept.keep({ base: this.saved, mine });

  /** Hands over what earlier pages could not save, as changes to make now. */
  takeUpUnsaved(make: (change: Change) => Template): Promise<boolean> {
    return this.kept.takeUp(async ({ base, mine }) => {
      const change = changeBetween(base, mine);
      if (change !== null) await this.keep(make(change));
    });
  }

  /** Releases what was saved last; gives that and the edition's number. */
  async release(): Promise<{ edition: number; document: Template }> {
    const body = { revision: this.revision };
    const document = this.saved;
    const answer = await ask<{ edition: number }>(`${this.path}/release`, { method: 'POST', body });
    return { ...answer, document };
  }

  /** What the server has now. From here on, saves are made from that. */
  async catchUp(): Promise<Template> {
    const record = await ask<TemplateRecord>(this.path);
    this.revision = record.revision;
    this.saved = record.document;
    return record.document;
  }

  /** Makes a copy; gives its id. */
  async copy(): Promise<string> {
    return (await ask<{ id: string }>(`${this.path}/copy`, { method: 'POST' })).id;
  }
}
