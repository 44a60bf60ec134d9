import { Client } from 'pg';

const AGAIN_AFTER_MS = 1000;

/** One connection to a PostgreSQL server that hears what is told on channels; it connects again when it breaks. */
export class ServerNews {
  private client: Client | null = null;
  private readonly listeners = new Map<string, Set<(told: string) => void>>();
  private isClosed = false;

  constructor(
    private readonly url: string,
    /** What is done with each connection first; what it takes is kept as long as the connection lasts. */
    private readonly onConnect: ((client: Client) => Promise<void>) | null,
  ) {}

  async open(): Promise<void> {
    const client = new Client({ connectionString: this.url, keepAlive: true });
    client.on('notification', ({ channel, payload = '' }) => {
      for (const heard of this.listeners.get(channel) ?? []) heard(payload);
    });
    client.on('error', () => undefined);
    await client.connect();
    this.client = client;
    try {
      await this.onConnect?.(client);
      for (const channel of this.listeners.keys()) await client.query(`listen ${channel}`);
    } catch (error) {
      this.client = null;
      await client.end();
      throw error;
    }
    client.once('end', () => this.openAgain());
  }

  async listen(channel: string, heard: (told: string) => void): Promise<() => void> {
    const known = this.listeners.get(channel);
    const all = known ?? new Set();
    all.add(heard);
    this.listeners.set(channel, all);
    // Names of channels are our own, and plain words.
    if (known === undefined) await this.client?.query(`listen ${channel}`);
    return () => all.delete(heard);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    await this.client?.end();
  }

  /** What was told meanwhile is not heard: who listens looks from time to time as well. */
  private openAgain(): void {
    this.client = null;
    if (this.isClosed) return;
    const timer = setTimeout(() => this.open().catch(() => this.openAgain()), AGAIN_AFTER_MS);
    timer.unref();
  }
}
