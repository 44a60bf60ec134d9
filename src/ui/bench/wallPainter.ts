import type { WallReply, WallRequest } from '@/workers/wallMessages';

/** What wall pictures are asked of: a worker, or anything that answers like one. */
export interface WallPort {
  postMessage(request: WallRequest): void;
  addEventListener(type: 'message', listen: (event: { readonly data: WallReply }) => void): void;
}

interface Waiting {
  readonly request: WallRequest;
  readonly done: (reply: WallReply) => void;
}

/**
 * Asks for pictures, one at a time for each key. While one is on its way only the newest further request is kept, so
 * that a wall that cannot keep up shows the latest state and never falls behind.
 */
export class WallPainter {
  private readonly underWay = new Map<string, Waiting>();
  private readonly next = new Map<string, Waiting>();

  constructor(private readonly port: WallPort) {
    port.addEventListener('message', ({ data }) => this.take(data));
  }

  ask(request: WallRequest, done: (reply: WallReply) => void): void {
    const waiting = { request, done };
    if (this.underWay.has(request.key)) this.next.set(request.key, waiting);
    else this.send(waiting);
  }

  private send(waiting: Waiting): void {
    this.underWay.set(waiting.request.key, waiting);
    this.port.postMessage(waiting.request);
  }

  private take(reply: WallReply): void {
    const answered = this.underWay.get(reply.key);
    this.underWay.delete(reply.key);
    answered?.done(reply);
    const following = this.next.get(reply.key);
    this.next.delete(reply.key);
    if (following !== undefined) this.send(following);
  }
}
