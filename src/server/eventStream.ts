const KEEP_OPEN_MS = 20_000;

/** Server-sent events for as long as the request lasts; `subscribe` gets what sends one and gives what ends it. */
export function eventStream<T>(
  request: Request,
  subscribe: (send: (item: T) => void) => () => void,
): Response {
  const encoder = new TextEncoder();
  let stop = (): void => undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string): void => controller.enqueue(encoder.encode(text));
      const unsubscribe = subscribe((item) => write(`data: ${JSON.stringify(item)}\n\n`));
      const timer = setInterval(() => write(': open\n\n'), KEEP_OPEN_MS);
      stop = () => {
        clearInterval(timer);
        unsubscribe();
      };
      write(': open\n\n');
    },
    cancel: () => stop(),
  });
  request.signal.addEventListener('abort', () => stop());
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' },
  });
}
