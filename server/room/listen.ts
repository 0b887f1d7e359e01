import pg from 'pg';
import { log } from '../log';

/** Milliseconds before the first try to listen again, and at most between two. */
const [FIRST_REST, LONGEST_REST] = [500, 8000];

type Listener = () => void;

/**
 * One ear of a process to what the database tells of its rooms. It listens while somebody wants to hear, and again
 * after the connection was lost; whoever listened then is told too, as nobody knows what was missed.
 */
export class RoomEar {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | undefined;
  private rest = FIRST_REST;
  private timer: NodeJS.Timeout | undefined;
  private isClosed = false;

  constructor(private readonly connectionString: string) {}

  /** Calls back whenever something has changed in a class, until the returned function is called. */
  hear(classId: string, listener: Listener): () => void {
    const own = this.listeners.get(classId) ?? new Set();
    own.add(listener);
    this.listeners.set(classId, own);
    this.connect();
    return () => {
      own.delete(listener);
      if (own.size === 0) this.listeners.delete(classId);
      if (this.listeners.size === 0) this.disconnect();
    };
  }

  /** Listens no more. */
  close(): void {
    this.isClosed = true;
    this.listeners.clear();
    this.disconnect();
  }

  private connect(): void {
    if (this.client || this.timer || this.isClosed) return;
    const client = new pg.Client({ connectionString: this.connectionString, keepAlive: true });
    this.client = client;
    const lost = (error?: unknown): void => {
      if (this.client !== client) return;
      if (error !== undefined) log.warn({ err: error }, 'the room is not heard for a moment');
      this.client = undefined;
      void client.end().catch(() => undefined);
      if (this.listeners.size === 0 || this.isClosed) return;
      this.timer = setTimeout(() => {
        this.timer = undefined;
        this.connect();
      }, this.rest);
      this.rest = Math.min(LONGEST_REST, this.rest * 2);
    };
    client.on('error', lost);
    client.on('end', () => lost());
    client.on('notification', ({ payload }) => this.tell(payload ?? ''));
    client
      .connect()
      .then(() => client.query('listen room'))
      .then(() => {
        const wasLost = this.rest !== FIRST_REST;
        this.rest = FIRST_REST;
        if (wasLost) for (const classId of this.listeners.keys()) this.tell(classId);
      })
      .catch(lost);
  }

  private tell(classId: string): void {
    for (const listener of this.listeners.get(classId) ?? []) listener();
  }

  private disconnect(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    const { client } = this;
    this.client = undefined;
    void client?.end().catch(() => undefined);
  }
}

const shared = globalThis as { didaktorEar?: RoomEar };

/** The ear of this process, to its database. */
export function roomEar(): RoomEar {
  shared.didaktorEar ??= new RoomEar(process.env['DATABASE_URL']!);
  return shared.didaktorEar;
}
