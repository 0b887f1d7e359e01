import type { Knex } from 'knex';
import type { BoardBench } from '@/core/messages/room';
import { database } from '../database/connection';
import { log } from '../log';
import { benchesOf } from './board';
import { roomEar, type RoomEar } from './listen';

/** Milliseconds for which what follows each other fast is one change. */
const TOGETHER = 500;
/** Milliseconds after which the times that are shown are out of date, and after which a look that failed is made again. */
const [TICK, AGAIN] = [30_000, 2000];

type Follower = (benches: readonly BoardBench[]) => void;

interface Room {
  readonly followers: Set<Follower>;
  readonly stop: () => void;
  readonly tick: NodeJS.Timeout;
  pending: NodeJS.Timeout | undefined;
}

/** What happens in rooms, for all boards of a process: a class is looked at once for however many boards it has. */
export class RoomFeed {
  private readonly rooms = new Map<string, Room>();

  constructor(
    private readonly db: Knex,
    private readonly ear: RoomEar,
  ) {}

  /** Tells of all benches of a class, soon and at every change, until the returned function is called. */
  follow(classId: string, follower: Follower): () => void {
    const room = this.rooms.get(classId) ?? this.open(classId);
    room.followers.add(follower);
    this.lookSoon(classId);
    return () => {
      room.followers.delete(follower);
      if (room.followers.size > 0 || this.rooms.get(classId) !== room) return;
      room.stop();
      clearInterval(room.tick);
      clearTimeout(room.pending);
      this.rooms.delete(classId);
    };
  }

  private open(classId: string): Room {
    const soon = (): void => this.lookSoon(classId);
    const room: Room = {
      followers: new Set(),
      stop: this.ear.hear(classId, soon),
      tick: setInterval(soon, TICK),
      pending: undefined,
    };
    this.rooms.set(classId, room);
    return room;
  }

  private lookSoon(classId: string, after = TOGETHER): void {
    const room = this.rooms.get(classId);
    if (room) room.pending ??= setTimeout(() => void this.look(classId, room), after);
  }

  private async look(classId: string, room: Room): Promise<void> {
    room.pending = undefined;
    try {
      const benches = await benchesOf(this.db, classId);
      for (const follower of room.followers) follower(benches);
    } catch (error) {
      log.warn({ err: error }, 'the room could not be looked at');
      this.lookSoon(classId, AGAIN);
    }
  }
}

const shared = globalThis as { didaktorFeed?: RoomFeed };

/** The feed of this process. */
export function roomFeed(): RoomFeed {
  shared.didaktorFeed ??= new RoomFeed(database(), roomEar());
  return shared.didaktorFeed;
}
