import { createHmac } from 'node:crypto';
import { InputError } from '@/core/kit/inputError';
import type { DueCallback } from '@/db/callbacks';
import { dueCallbacks, nextCallbackAt, noteCallback } from '@/db/callbacks';
import { findJob } from '@/db/jobs';
import type { Db } from '@/db/open';
import { isLoopback } from '../loopback';
import { stateOf } from './stateOf';

// After each try that reached nobody; then it is given up.
const AGAIN_AFTER_SECONDS = [5, 30, 120, 600, 3600, 6 * 3600];
const PATIENCE_MS = 10_000;

/**
 * An address that may be told. Throws InputError for one that is none, or of another machine than this one and those
 * that `GILDER_CALLBACK_HOSTS` names: a key is no way to have this machine ask others for things.
 */
export function checkCallback(text: string): string {
  const url = URL.canParse(text) ? new URL(text) : null;
  const allowed = (process.env.GILDER_CALLBACK_HOSTS ?? '').split(',').map((host) => host.trim());
  const isHttp = url !== null && /^https?:$/.test(url.protocol) && url.username === '' && url.password === '';
  if (url !== null && isHttp && (isLoopback(url.host) || allowed.includes(url.hostname))) return url.href;
  throw InputError.of(
    'Order, callback',
    'an http or https address on this machine, or on one that GILDER_CALLBACK_HOSTS names',
    text,
  );
}

/** What proves that a message comes from here: HMAC-SHA256 by the SHA-256 of the key, over when it was sent and what. */
function proofOf(keyHash: string, sentAt: string, body: string): string {
  return createHmac('sha256', keyHash).update(`${sentAt}\n${body}`).digest('hex');
}

/** Tells addresses that orders are over, again and again until somebody takes it or it is given up. */
export class CallBacks {
  private timer: NodeJS.Timeout | undefined;
  private telling: Promise<void> = Promise.resolve();
  private isStopped = false;

  constructor(
    private readonly db: Db,
    private readonly againAfterSeconds: readonly number[] = AGAIN_AFTER_SECONDS,
  ) {}

  /** Tells whoever has to be told now, and sees to it that it looks again when somebody else has to. */
  look(): void {
    this.telling = this.telling.then(() => this.tell()).catch(() => undefined);
  }

  async stop(): Promise<void> {
    this.isStopped = true;
    clearTimeout(this.timer);
    await this.telling;
  }

  private async tell(): Promise<void> {
    if (this.isStopped) return;
    clearTimeout(this.timer);
    await Promise.all((await dueCallbacks(this.db)).map((due) => this.tellOne(due)));
    const next = await nextCallbackAt(this.db);
    if (next === null) return;
    this.timer = setTimeout(() => this.look(), Math.max(0, next.getTime() - Date.now()));
    this.timer.unref();
  }

  private async tellOne({ jobId, url, tries, keyHash }: DueCallback): Promise<void> {
    const job = await findJob(this.db, jobId);
    if (job === undefined) return;
    const error = await send(url, JSON.stringify(stateOf(job)), keyHash);
    const again = error === null ? undefined : this.againAfterSeconds[tries];
    const nextAt = again === undefined ? null : new Date(Date.now() + again * 1000);
    await noteCallback(this.db, jobId, { error, nextAt });
  }
}

/** Sends a message; gives why nobody took it, or null. */
async function send(url: string, body: string, keyHash: string): Promise<string | null> {
  const sentAt = new Date().toISOString();
  try {
    const answer = await fetch(url, {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        'Gilder-Sent': sentAt,
        'Gilder-Proof': proofOf(keyHash, sentAt, body),
      },
      body,
      // Where it leads was not allowed by anybody.
      redirect: 'manual',
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    await answer.body?.cancel();
    return answer.ok ? null : `It answered ${answer.status}.`;
  } catch (error) {
    const isLate = error instanceof Error && error.name === 'TimeoutError';
    return isLate ? `It did not answer in ${PATIENCE_MS / 1000} s.` : 'Nobody answered.';
  }
}
