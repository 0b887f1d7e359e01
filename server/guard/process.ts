// A process that does tasks of the core, one after the other; bundled to .didaktor/guard by the npm scripts.
import { Worker } from 'node:worker_threads';
import { coreTasks, failureText } from './tasks';
import type { Answer, Order } from './processes';

async function answer({ id, task, input }: Order): Promise<Answer> {
  try {
    return { id, ended: true, value: await coreTasks[task](input as never) };
  } catch (error) {
    return { id, ended: false, failure: failureText(error) };
  }
}

process.on('message', (order: Order) => void answer(order).then((done) => process.send?.(done)));
process.on('disconnect', () => process.exit(0));

// Whoever began this process may be killed while a task keeps it too busy to notice; then nobody guards it.
new Worker(
  `const parent = process.ppid;
   setInterval(() => process.ppid === parent || process.kill(process.pid, 'SIGKILL'), 1000);`,
  { eval: true },
).unref();
