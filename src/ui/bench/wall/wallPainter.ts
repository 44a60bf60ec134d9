import type { FieldValues, Template } from '@/core/model/template';
import { sameValue } from '@/core/kit/sameValue';
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

interface Design {
  readonly number: number;
  readonly template: Template;
  readonly values: FieldValues;
}

/**
 * Asks for pictures, one at a time for each format. While one is on its way only the newest further wish is kept, so
 * that a wall that cannot keep up shows the latest state and never falls behind. A design goes over once for all
 * formats, and of its layers only those that are new.
 */
export class WallPainter {
  private readonly underWay = new Map<string, Waiting>();
  private readonly next = new Map<string, Waiting>();
  /** The newest wish of each format that is shown. */
  private readonly shown = new Map<string, Waiting>();
  private design: Design | null = null;

  constructor(private readonly port: WallPort) {
    port.addEventListener('message', ({ data }) => this.take(data));
  }

  /** Asks for a picture. What was asked last for the same format is not asked again. */
  ask(wish: WallWish, done: (reply: WallReply) => void): void {
    const before = this.shown.get(wish.formatId);
    const waiting = { wish, done };
    this.shown.set(wish.formatId, waiting);
    if (before !== undefined && before.done === done && sameWish(before.wish, wish)) return;
    if (this.underWay.has(wish.formatId)) this.next.set(wish.formatId, waiting);
    else this.send(waiting);
  }

  /** Asks for the shown pictures again, of a changed template; before the screen has been told to. */
  follow(template: Template, values: FieldValues): void {
    for (const { wish, done } of this.shown.values()) this.ask({ ...wish, template, values }, done);
  }

  /** Asks for the shown pictures again, which other fonts have made otherwise. */
  again(): void {
    for (const [formatId, waiting] of this.shown)
      if (this.underWay.has(formatId)) this.next.set(formatId, waiting);
      else this.send(waiting);
  }

  /** No longer asks for a format's picture. */
  leave(formatId: string): void {
    this.shown.delete(formatId);
    this.next.delete(formatId);
  }

  private send(waiting: Waiting): void {
    const { template, values, ...rest } = waiting.wish;
    this.underWay.set(rest.formatId, waiting);
    this.port.postMessage({ kind: 'picture', ...rest, design: this.numberOf(template, values) });
  }

  private numberOf(template: Template, values: FieldValues): number {
    const { design } = this;
    if (design?.template === template && sameValue(design.values, values)) return design.number;
    const known = new Set(design?.template.layers);
    const { layers, ...rest } = template;
    const number = (design?.number ?? 0) + 1;
    this.design = { number, template, values };
    this.port.postMessage({
      kind: 'design',
      number,
      values,
      template: { ...rest, layers: [] },
      order: layers.map((layer) => layer.id),
      changed: layers.filter((layer) => !known.has(layer)),
    });
    return number;
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

function sameWish(a: WallWish, b: WallWish): boolean {
  return (
    a.template === b.template &&
    a.widthPx === b.widthPx &&
    a.language === b.language &&
    a.seconds === b.seconds &&
    sameValue(a.timing, b.timing) &&
    sameValue(a.values, b.values)
  );
}
