import { useEffect, useState } from 'react';
import type { RefObject } from 'react';
import type { EditionRecord, TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import { ask } from './api';

// The server gives this many at once.
const AT_ONCE = 50;

const editions = new Map<string, Promise<EditionRecord>>();
let waiting: { readonly id: string; resolve(edition: EditionRecord): void; reject(error: unknown): void }[] =
  [];

/** An edition with its document, asked for once; those that are wanted at the same moment are asked for together. */
export function loadEdition(id: string): Promise<EditionRecord> {
  const known = editions.get(id);
  if (known !== undefined) return known;
  const asked = new Promise<EditionRecord>((resolve, reject) => {
    if (waiting.length === 0) queueMicrotask(askForWaiting);
    waiting.push({ id, resolve, reject });
  });
  editions.set(id, asked);
  asked.catch(() => editions.delete(id));
  return asked;
}

function askForWaiting(): void {
  const all = waiting;
  waiting = [];
  for (let i = 0; i < all.length; i += AT_ONCE) {
    const part = all.slice(i, i + AT_ONCE);
    ask<readonly EditionRecord[]>(`editions?ids=${part.map(({ id }) => id).join(',')}`).then(
      (answer) => {
        const found = new Map(answer.map((edition) => [edition.id, edition]));
        for (const { id, resolve, reject } of part) {
          const edition = found.get(id);
          if (edition === undefined) reject(new Error('This edition is gone.'));
          else resolve(edition);
        }
      },
      (error: unknown) => part.forEach(({ reject }) => reject(error)),
    );
  }
}

/** The document of an edition, once it is wanted and here. */
export function useEditionDocument(id: string, wanted: boolean): Template | null {
  return useLoaded(id, wanted, () => loadEdition(id));
}

/** The document of a template as it stands on the bench, once it is wanted and here. */
export function useTemplateDocument(id: string, revision: number, wanted: boolean): Template | null {
  return useLoaded(`${id} ${revision}`, wanted, () => ask<TemplateRecord>(`templates/${id}`));
}

function useLoaded(
  key: string,
  wanted: boolean,
  load: () => Promise<{ readonly document: Template }>,
): Template | null {
  const [loaded, setLoaded] = useState<{ readonly key: string; readonly document: Template } | null>(null);
  useEffect(() => {
    if (!wanted) return;
    let stays = true;
    load().then(
      ({ document }) => {
        if (stays) setLoaded({ key, document });
      },
      // What cannot be fetched stays without a picture; its facts are there.
      () => undefined,
    );
    return () => {
      stays = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says what is loaded
  }, [key, wanted]);
  return loaded?.key === key ? loaded.document : null;
}

/** Whether an element has been near what is seen of the page. */
export function useSeen(element: RefObject<Element | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const target = element.current;
    if (target === null || seen) return;
    if (typeof IntersectionObserver === 'undefined') {
      const timer = setTimeout(() => setSeen(true));
      return () => clearTimeout(timer);
    }
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((entry) => entry.isIntersecting)) setSeen(true);
      },
      { rootMargin: '400px' },
    );
    observer.observe(target);
    return () => observer.disconnect();
  }, [element, seen]);
  return seen;
}
