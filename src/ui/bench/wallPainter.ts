import type { FieldValues, Template } from '@/core/document/template';
import type { WallDesign, WallReply, WallRequest } from '@/workers/wallMessages';

/** What wall pictures are asked of: a worker, or anything that answers like one. */
export interface WallPort {
  postMessage(message: WallDesign | WallRequest): void;
  addEventListener(type: 'message', listen: (event: { readonly data: WallReply }) => void): void;
}

/** A picture that is wanted, of a design. */
export interface WallWish extends Omit<WallRequest, 'kind' | 'design'> {
  readonly template: Template;
  readonly values: FieldValues;
}

interface Waiting {
  readonly wish: WallWish;
  readonly done: (reply: WallReply) => void;
}

/**
 * Asks for pictures, one at a time for each format. While one is on its way only the newest further wish is kept, so
 * that a wall that cannot keep up shows the latest state and never falls behind. A design goes over once for all
 * formats.
 */
export class WallPainter {
  private readonly underWay = new Map<string, Waiting>();
  private readonly next = new Map<string, Waiting>();
  private design: WallDesign | null = null;

  constructor(private readonly port: WallPort) {
    port.addEventListener('message', ({ data }) => this.take(data));
  }

  ask(wish: WallWish, done: (reply: WallReply) => void): void {
    const waiting = { wish, done };
    if (this.underWay.has(wish.formatId)) this.next.set(wish.formatId, waiting);
    else this.send(waiting);
  }

  private send(waiting: Waiting): void {
    const { template, values, ...rest } = waiting.wish;
    this.underWay.set(rest.formatId, waiting);
    this.port.postMessage({ kind: 'picture', ...rest, design: this.numberOf(template, values) });
  }

  private numberOf(template: Template, values: FieldValues): number {
    if (this.design?.template === template && this.design.values === values) return this.design.number;
    this.design = { kind: 'design', number: (this.design?.number ?? 0) + 1, template, values };
    this.port.postMessage(this.design);
    return this.design.number;
  }

  private take(reply: WallReply): void {
    const answered = this.underWay.get(reply.formatId);
    this.underWay.delete(reply.formatId);
    answered?.done(reply);
    const following = this.next.get(reply.formatId);
    this.next.delete(reply.formatId);
    if (following !== undefined) this.send(following);
  }
}
