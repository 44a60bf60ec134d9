import { respond } from '@/server/respond';
import { jobToSummary } from '@/server/usecases/jobs';
import { workshop } from '@/server/workshop';

export const dynamic = 'force-dynamic';

const KEEP_OPEN_MS = 20_000;

/** Tells every change of a job as it happens (server-sent events). */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const { press } = await workshop();
    const encoder = new TextEncoder();
    let stop = (): void => undefined;
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = (text: string): void => controller.enqueue(encoder.encode(text));
        const unsubscribe = press.subscribe((job) => send(`data: ${JSON.stringify(jobToSummary(job))}\n\n`));
        const timer = setInterval(() => send(': open\n\n'), KEEP_OPEN_MS);
        stop = () => {
          clearInterval(timer);
          unsubscribe();
        };
        send(': open\n\n');
      },
      cancel: () => stop(),
    });
    request.signal.addEventListener('abort', () => stop());
    return new Response(stream, {
      headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' },
    });
  });
}
