import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { clear } from 'idb-keyval';
import type { TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import { applyChange } from '@/core/draft/change';
import { testTemplate } from '@/core/testing';
import { RefusedError } from '../../shared/api';
import { fakeLocks, jsonAnswer } from '../../shared/forTest';
import { TemplateDraft } from './templateDraft';

const FIRST = testTemplate([]);
const named = (name: string): Template => ({ ...FIRST, name });

/** A server that keeps one template by the rules of the real one; `loses` takes a save and gives no answer. */
class Server {
  document = FIRST;
  revision = 1;
  trouble: 'none' | 'away' | 'loses answers' = 'none';

  record(): TemplateRecord {
    const { document, revision } = this;
    return { id: 't', document, revision, releasedRevision: null, latestEdition: 0 };
  }

  answer = async (_: string | URL | Request, request: RequestInit = {}): Promise<Response> => {
    if (this.trouble === 'away') throw new TypeError('Failed to fetch');
    const body: { revision: number; document: Template } = JSON.parse(String(request.body));
    if (body.revision !== this.revision) {
      const newer = { revision: this.revision, document: this.document };
      return jsonAnswer(409, { message: 'Changed in between.', newer });
    }
    this.document = body.document;
    this.revision += 1;
    if (this.trouble === 'loses answers') throw new TypeError('Failed to fetch');
    return jsonAnswer(200, { revision: this.revision });
  };
}

let server: Server;
const realFetch = globalThis.fetch;
beforeEach(async () => {
  server = new Server();
  globalThis.fetch = server.answer;
  fakeLocks();
  await clear();
});
afterEach(() => {
  globalThis.fetch = realFetch;
});

describe('a template that is saved', () => {
  test('after an answer that was lost is in no conflict with itself, whatever was typed since', async () => {
    const draft = new TemplateDraft(server.record());
    server.trouble = 'loses answers';
    await expect(draft.save(named('A'), false)).rejects.toThrow('cannot be reached');
    server.trouble = 'away';
    await expect(draft.save(named('AB'), false)).rejects.toThrow('cannot be reached');
    server.trouble = 'none';
    await draft.save(named('ABC'), false);
    expect(server.document.name).toBe('ABC');
    await draft.save(named('ABCD'), false);
    expect(server.document.name).toBe('ABCD');
  });

  test('is in no conflict with what the page before the reload sent as it went', async () => {
    const before = new TemplateDraft(server.record());
    await before.keep(named('kept'));
    const record = server.record();
    // What the page before sends as it goes arrives after this one has loaded, and its answer nowhere.
    server.trouble = 'loses answers';
    await expect(before.save(named('kept'), true)).rejects.toThrow('cannot be reached');
    server.trouble = 'none';

    const draft = new TemplateDraft(record);
    let now = record.document;
    await draft.takeUpUnsaved((change) => (now = applyChange(now, change, 'forth')));
    expect(now.name).toBe('kept');
    await draft.save({ ...now, production: 'Regatta' }, false);
    expect(server.document).toMatchObject({ name: 'kept', production: 'Regatta' });
  });

  test('is in no conflict with itself either where the page went at once, before anything was kept', async () => {
    const before = new TemplateDraft(server.record());
    const record = server.record();
    before.keepAsPageGoes(named('at once'));
    server.trouble = 'loses answers';
    await expect(before.save(named('at once'), true)).rejects.toThrow('cannot be reached');
    server.trouble = 'none';

    const draft = new TemplateDraft(record);
    let now = record.document;
    expect(await draft.takeUpUnsaved((change) => (now = applyChange(now, change, 'forth')))).toBe(true);
    expect(now.name).toBe('at once');
    await draft.save({ ...now, production: 'Regatta' }, false);
    expect(server.document).toMatchObject({ name: 'at once', production: 'Regatta' });
    expect(await new TemplateDraft(server.record()).takeUpUnsaved(() => now)).toBe(false);
  });

  test('of two that one page kept the later one counts, and only once', async () => {
    const before = new TemplateDraft(server.record());
    await before.keep(named('first'));
    before.keepAsPageGoes(named('last'));
    const taken: string[] = [];
    const take = async (): Promise<void> => {
      const draft = new TemplateDraft(server.record());
      await draft.takeUpUnsaved((change) => {
        const now = applyChange(FIRST, change, 'forth');
        taken.push(now.name);
        return now;
      });
      await draft.save(FIRST, false);
    };
    await take();
    await take();
    expect(taken).toEqual(['last']);
  });

  test('after somebody else saved is refused, and nothing of theirs is overwritten', async () => {
    const draft = new TemplateDraft(server.record());
    const other = new TemplateDraft(server.record());
    await other.save(named('theirs'), false);
    await expect(draft.save(named('mine'), false)).rejects.toBeInstanceOf(RefusedError);
    expect(server.document.name).toBe('theirs');
  });
});
