import type { TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import type { Change } from '@/core/draft/change';
import { changeBetween } from '@/core/draft/change';
import { sameValue } from '@/core/kit/sameValue';
import { ask, RefusedError } from '../../shared/api';
import { KeptDraft } from '../../shared/keptDraft';

/** What of a template is not on the server yet, and what it was made from. */
interface UnsavedTemplate {
  readonly base: Template;
  readonly mine: Template;
}

// While the server is away every try is one.
const MOST_UNANSWERED = 8;

/** A template on the server, as this page knows it: every write names the revision it was made from. */
export class TemplateDraft {
  private revision: number;
  private readonly path: string;
  /** What the server was given last. */
  private saved: Template;
  private readonly kept: KeptDraft<UnsavedTemplate>;
  /** What this page sent, and earlier ones may have sent as they went, without an answer; the last ones. */
  private unanswered: readonly Template[] = [];

  constructor(record: TemplateRecord) {
    this.revision = record.revision;
    this.saved = record.document;
    const pageId = Math.random().toString(36).slice(2);
    this.kept = new KeptDraft(`gilder-bench-${record.id} `, pageId);
    this.path = `templates/${encodeURIComponent(record.id)}`;
  }

  /**
   * Saves a template. Where the server moved on only because it took what came from here before, unanswered, that is
   * no conflict: this is saved over it.
   */
  save = async (document: Template, leaving: boolean): Promise<void> => {
    try {
      await this.put(document, leaving);
    } catch (error) {
      const newer = newerTemplate(error);
      if (newer === null || !this.isOurs(newer.document)) throw error;
      this.revision = newer.revision;
      await this.put(document, leaving);
    }
    this.unanswered = [];
    await this.kept.drop();
  };

  private async put(document: Template, keepalive: boolean): Promise<void> {
    this.mayArrive(document);
    const body = { revision: this.revision, document };
    const answer = await ask<{ revision: number }>(this.path, { method: 'PUT', body, keepalive });
    this.revision = answer.revision;
    this.saved = document;
  }

  private isOurs(there: Template): boolean {
    return this.unanswered.some((sent) => sameValue(asSent(sent), there));
  }

  private mayArrive(document: Template): void {
    if (this.unanswered.at(-1) !== document)
      this.unanswered = [...this.unanswered, document].slice(-MOST_UNANSWERED);
  }

  /** Keeps the template in the browser while it is not on the server. */
  keep = (mine: Template): Promise<void> => this.kept.keep({ base: this.saved, mine });

  keepAsPageGoes = (mine: Template): void => this.kept.keepAsPageGoes({ base: this.saved, mine });

  /** Hands over what earlier pages could not save, as changes to make now. */
  takeUpUnsaved(make: (change: Change) => Template): Promise<boolean> {
    return this.kept.takeUp(async ({ base, mine }) => {
      this.mayArrive(mine);
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

/** The state that a refused write names as the newer one, or null. */
function newerTemplate(error: unknown): Pick<TemplateRecord, 'revision' | 'document'> | null {
  if (!(error instanceof RefusedError) || error.status !== 409) return null;
  const { newer } = error.refusal;
  const whole = typeof newer === 'object' && newer !== null && 'revision' in newer && 'document' in newer;
  return whole ? (newer as Pick<TemplateRecord, 'revision' | 'document'>) : null;
}

/** A template as it arrives: without what has no value. */
function asSent(template: Template): unknown {
  return JSON.parse(JSON.stringify(template));
}
