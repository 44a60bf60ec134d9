import type { Template } from '@/core/document/template';
import type { TemplateRecord } from '@/db/templates';
import { ask } from '../shared/api';

/** A template on the server, as this page knows it: every write names the revision it was made from. */
export class TemplateDraft {
  private revision: number;
  private readonly path: string;

  constructor(record: TemplateRecord) {
    this.revision = record.revision;
    this.path = `templates/${encodeURIComponent(record.id)}`;
  }

  save = async (document: Template, leaving: boolean): Promise<void> => {
    const body = { revision: this.revision, document };
    const answer = await ask<{ revision: number }>(this.path, { method: 'PUT', body, keepalive: leaving });
    this.revision = answer.revision;
  };

  /** Releases what was saved last; gives the edition's number. */
  async release(): Promise<number> {
    const body = { revision: this.revision };
    return (await ask<{ edition: number }>(`${this.path}/release`, { method: 'POST', body })).edition;
  }

  /** What the server has now. From here on, saves are made from that. */
  async catchUp(): Promise<Template> {
    const record = await ask<TemplateRecord>(this.path);
    this.revision = record.revision;
    return record.document;
  }

  /** Makes a copy; gives its id. */
  async copy(): Promise<string> {
    return (await ask<{ id: string }>(`${this.path}/copy`, { method: 'POST' })).id;
  }
}
