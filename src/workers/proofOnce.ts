import type { House } from '@/core/model/house';
import type { Template } from '@/core/model/template';
import type { Finding } from '@/core/proof/finding';
import type { ProofProgress } from '@/core/proof/proofer';
import { checksOfOthers, ownWords } from '@/core/proof/ownWords';
import type { ProofReply, ProofRequest } from './proofMessages';

/**
 * What the proof finds in a template with its own words, in each of its formats, by a worker of its own that ends with
 * it. Rejects when the proof stops, or nobody waits for it any more.
 */
export function proofOwnWords(
  template: Template,
  house: House,
  {
    signal,
    onProgress,
  }: { readonly signal: AbortSignal; readonly onProgress: (progress: ProofProgress) => void },
): Promise<readonly Finding[]> {
  const { clip, plan, title } = ownWords(template);
  const { checks, reading, areas, language, colours, captions } = house;
  const worker = new Worker(new URL('./proofWorker.ts', import.meta.url));
  const ask: ProofRequest = {
    kind: 'work',
    turn: 1,
    changed: [title],
    order: [title.id],
    clips: [clip],
    plan,
    house: {
      checks: { ...checks, off: checksOfOthers(checks.off, template) },
      reading,
      areas,
      language,
      colours,
      captions,
    },
    editions: [{ id: title.editionId, templateId: 'own', number: 1, document: template }],
    project: { name: '', rate: template.rate },
  };
  const found = new Promise<readonly Finding[]>((resolve, reject) => {
    worker.onerror = () => reject(new Error('The proof stopped.'));
    worker.onmessage = ({ data }: MessageEvent<ProofReply>) => {
      if (data.kind === 'failed') reject(new Error(data.message));
      if (data.kind !== 'findings') return;
      onProgress(data.progress);
      const own = data.findings.find(([id, , complete]) => id === title.id && complete);
      if (own !== undefined) resolve(own[1]);
    };
    signal.addEventListener('abort', () => reject(new Error('Nobody waits for it.')));
    worker.postMessage(ask);
  });
  return found.finally(() => worker.terminate());
}
