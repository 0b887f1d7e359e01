import { fork, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Socket } from 'node:net';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { Ending } from '@/core/judge/not-judged';
import type { TaskInput, TaskName, TaskValue } from './tasks';

/** What a process gets to do, and what it answers. */
export interface Order {
  readonly id: number;
  readonly task: TaskName;
  readonly input: unknown;
}
export type Answer =
  | { readonly id: number; readonly ended: true; readonly value: unknown }
  | { readonly id: number; readonly ended: false; readonly failure: string };

/** What one task may take. */
export interface Limits {
  readonly processorSeconds: number;
  /** Of memory for its values; the process may hold as much again as it takes when it does nothing. */
  readonly megabytes: number;
}

export const CHECK_LIMITS: Limits = { processorSeconds: 10, megabytes: 256 };

/** What came of a task: its value, or why it was ended, with what a developer wants to know of it. */
export type Outcome<Value> =
  | { readonly ended: true; readonly value: Value; /** Of processor time. */ readonly seconds: number }
  | { readonly ended: false; readonly obstacle: Ending; readonly detail: string };

/** Raised by whoever cannot go on without an answer. */
export class NoAnswer extends Error {
  constructor(
    readonly task: TaskName,
    readonly obstacle: Ending | 'busy',
    detail: string,
  ) {
    super(`${task}: ${obstacle}: ${detail}`);
  }
}

interface Waiting {
  readonly task: TaskName;
  readonly input: unknown;
  readonly settle: (outcome: Outcome<unknown>) => void;
}

/** Milliseconds between two looks at what the processes have taken. */
const LOOK_EVERY = 100;
/** The system counts processor time in these, a second. */
const TICKS = 100;
/** What a process holds before it does anything: runtime, core and grammars, in megabytes. */
const AT_REST = 160;
/** Characters that are kept of what a process says before it ends. */
const LAST_WORDS = 8000;
/** What it says when its memory was too small: the error itself, or a line of the trace behind it. */
const OUT_OF_MEMORY = /out of memory|OutOfMemory|OOMFailure/;
/** Tasks that may wait for a process; more are refused at once. */
const MOST_WAITING = 200;

/** Processes that do tasks of the core, each ended and replaced when a task goes beyond its limits. */
export class GuardedProcesses {
  private readonly processes: GuardedProcess[];
  private readonly waiting: Waiting[] = [];
  private readonly watch: NodeJS.Timeout;

  constructor(
    count = Math.max(1, availableParallelism() - 1),
    limits: Limits = CHECK_LIMITS,
    file = join(process.cwd(), '.didaktor/guard/process.mjs'),
  ) {
    this.processes = Array.from({ length: count }, () => new GuardedProcess(file, limits, () => this.next()));
    this.watch = setInterval(() => {
      for (const one of this.processes) one.look();
    }, LOOK_EVERY);
    this.watch.unref();
  }

  /** Does a task within the limits; never rejects for what the task does. Throws `NoAnswer` when too many wait. */
  run<Name extends TaskName>(task: Name, input: TaskInput<Name>): Promise<Outcome<TaskValue<Name>>> {
    if (this.waiting.length >= MOST_WAITING) throw new NoAnswer(task, 'busy', 'too many tasks are waiting');
    return new Promise((resolve) => {
      this.waiting.push({ task, input, settle: resolve as Waiting['settle'] });
      this.next();
    });
  }

  /** The value of a task that somebody waits for; throws `NoAnswer` when there is none. */
  async ask<Name extends TaskName>(task: Name, input: TaskInput<Name>): Promise<TaskValue<Name>> {
    const outcome = await this.run(task, input);
    if (outcome.ended) return outcome.value;
    throw new NoAnswer(task, outcome.obstacle, outcome.detail);
  }

  close(): void {
    clearInterval(this.watch);
    for (const one of this.processes) one.end();
  }

  private next(): void {
    for (const one of this.processes) {
      if (!one.isFree) continue;
      const task = this.waiting.shift();
      if (!task) return;
      one.take(task);
    }
  }
}

/** One process, begun when it is first needed and again after it was ended. */
class GuardedProcess {
  private child: ChildProcess | undefined;
  private current: { readonly id: number; readonly task: Waiting; readonly since: number } | undefined;
  private lastId = 0;
  private lastWords = '';

  constructor(
    private readonly file: string,
    private readonly limits: Limits,
    private readonly onFree: () => void,
  ) {}

  get isFree(): boolean {
    return this.current === undefined;
  }

  take(task: Waiting): void {
    this.lastId += 1;
    const id = this.lastId;
    const child = (this.child ??= this.begin());
    this.current = { id, task, since: secondsOf(child) };
    // A process with nothing to do keeps no other from ending.
    child.ref();
    child.channel?.ref();
    child.send({ id, task: task.task, input: task.input } satisfies Order);
  }

  /** Ends the process when its task has taken more than it may. */
  look(): void {
    const { child, current } = this;
    if (!child || !current) return;
    const seconds = secondsOf(child) - current.since;
    const megabytes = megabytesOf(child);
    if (seconds > this.limits.processorSeconds)
      this.settle({ ended: false, obstacle: 'time', detail: `${seconds.toFixed(1)} s of processor time` });
    else if (megabytes > this.limits.megabytes + AT_REST)
      this.settle({ ended: false, obstacle: 'memory', detail: `${Math.round(megabytes)} MB` });
  }

  end(): void {
    const { child } = this;
    this.child = undefined;
    child?.kill('SIGKILL');
  }

  private begin(): ChildProcess {
    const child = fork(this.file, {
      execArgv: [`--max-old-space-size=${this.limits.megabytes}`],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
      // Nothing that this process knows, the database's address least of all, is any business of a task.
      env: { NODE_ENV: process.env['NODE_ENV'] ?? 'production' },
    });
    this.lastWords = '';
    child.stderr?.on('data', (chunk: Buffer) => {
      this.lastWords = (this.lastWords + chunk.toString()).slice(-LAST_WORDS);
    });
    (child.stderr as Socket).unref();
    child.on('message', (message: Answer) => {
      if (child !== this.child || message.id !== this.current?.id) return;
      this.settle(
        message.ended
          ? { ...message, seconds: secondsOf(child) - this.current.since }
          : { ended: false, obstacle: 'failure', detail: message.failure },
        'process stays',
      );
    });
    const gone = (why: string): void => {
      if (child !== this.child) return;
      const obstacle = OUT_OF_MEMORY.test(this.lastWords) ? 'memory' : 'crash';
      this.settle({ ended: false, obstacle, detail: `${why}: ${this.lastWords}` });
    };
    child.on('error', (error) => gone(error.message));
    // Not as it exits, but when its last words have been read.
    child.on('close', (code, signal) => gone(`ended with ${signal ?? code}`));
    return child;
  }

  private settle(outcome: Outcome<unknown>, fate: 'process stays' | 'process ends' = 'process ends'): void {
    const { current } = this;
    this.current = undefined;
    if (fate === 'process ends') this.end();
    else {
      this.child?.unref();
      this.child?.channel?.unref();
    }
    current?.task.settle(outcome);
    this.onFree();
  }
}

/** Processor seconds that a process has taken since it began; elapsed time where the system does not tell. */
function secondsOf(child: ChildProcess): number {
  if (process.platform !== 'linux') return performance.now() / 1000;
  const fields = systemFile(child, 'stat');
  // It has just ended, which is told by its event.
  if (fields === undefined) return 0;
  // The name stands in parentheses and may hold spaces; user and system time are fields 14 and 15.
  const [user, system] = fields
    .slice(fields.lastIndexOf(')') + 2)
    .split(' ')
    .slice(11, 13);
  return (Number(user) + Number(system)) / TICKS;
}

/** Megabytes that a process holds in memory; 0 where the system does not tell. */
function megabytesOf(child: ChildProcess): number {
  const resident = /^VmRSS:\s+(\d+) kB$/m.exec(systemFile(child, 'status') ?? '');
  return resident ? Number(resident[1]) / 1024 : 0;
}

function systemFile({ pid }: ChildProcess, name: string): string | undefined {
  try {
    return readFileSync(`/proc/${pid}/${name}`, 'utf8');
  } catch {
    return undefined;
  }
}

/** Whoever does tasks of the core within limits. */
export type Guard = Pick<GuardedProcesses, 'run' | 'ask'>;

/** Tasks that only read what somebody sent: a hand-in waits for one, and must not stand behind a check. */
const quickTasks: ReadonlySet<TaskName> = new Set(['canonicalWiring', 'readExercise']);
/**
 * What is printed, and what is tried for something that the kit is short of, takes longer than a check, and somebody waits
 * for it knowingly; checks do not wait for it.
 */
const LONG_LIMITS: Limits = { processorSeconds: 60, megabytes: 512 };
/** Handouts of a booklet are made beside each other. */
const LONG_PROCESSES = 2;
const longTasks: ReadonlySet<TaskName> = new Set([
  'handout',
  'handoutOf',
  'handoutFiles',
  'printHandouts',
  'kitPapers',
  'substitutes',
  'readCourse',
]);

const shared = globalThis as { didaktorGuard?: Guard };

/** The processes in which this one does the work of the core: one for what is quick, some for what takes long, the others for the rest. */
export function guarded(): Guard {
  if (shared.didaktorGuard) return shared.didaktorGuard;
  const [quick, long, others] = [
    new GuardedProcesses(1),
    new GuardedProcesses(LONG_PROCESSES, LONG_LIMITS),
    new GuardedProcesses(),
  ];
  const laneOf = (task: TaskName): GuardedProcesses =>
    quickTasks.has(task) ? quick : longTasks.has(task) ? long : others;
  return (shared.didaktorGuard = {
    run: (task, input) => laneOf(task).run(task, input),
    ask: (task, input) => laneOf(task).ask(task, input),
  });
}
