// The whole product on this machine: database, web process and workers, each started again when it ends by itself.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { freePort, startCluster } from './cluster.mjs';
import { root } from './folders.mjs';
import { SetupError } from './packages.mjs';

/** Seconds to wait before a process that dies again and again is started once more, at most. */
const LONGEST_REST = 20;

/** The port to listen on, tried: `wanted`, or a free one when `wanted` is only a wish. Tells why when it cannot be. */
export async function portToUse(host, wanted, isWish) {
  const trouble = await new Promise((resolve) => {
    const server = createServer();
    server.once('error', resolve);
    server.listen(wanted, host, () => server.close(() => resolve(undefined)));
  });
  if (!trouble) return wanted;
  if (trouble.code !== 'EADDRINUSE')
    throw new SetupError(`This machine cannot listen on ${host}: ${trouble.message}`);
  if (!isWish) throw new SetupError(`Port ${wanted} is in use.`);
  return freePort();
}

/** Keeps the processes of one product running; `say` tells what dies and what is started again. */
export class Product {
  isEnding = false;
  /** The processes that live now, by their names. */
  alive = new Map();

  constructor({ cluster, host = '127.0.0.1', port, say, onChange = () => undefined, onLoss }) {
    Object.assign(this, { clusterName: cluster, host, port, say, onChange, onLoss });
  }

  /** Where this machine reaches it. */
  get base() {
    const local = this.host === '0.0.0.0' || this.host === '::' ? '127.0.0.1' : this.host;
    return `http://${local.includes(':') ? `[${local}]` : local}:${this.port}`;
  }

  /** Starts the database, and again on the same port whenever it ends by itself; its address. */
  async startDatabase(options = {}) {
    this.cluster = await startCluster(this.clusterName, options);
    const { url, port } = this.cluster;
    const watch = () =>
      void this.cluster.died.then(async () => {
        if (this.isEnding) return;
        this.say('The database ended; it is started again.');
        try {
          this.cluster = await startCluster(this.clusterName, { ...options, port });
          this.say('The database is back.');
          watch();
        } catch (error) {
          this.onLoss(error);
        }
      });
    watch();
    this.use(url);
    return url;
  }

  /** The database that its processes use: the cluster's own, or another one in it. */
  use(url) {
    this.environment = { DATABASE_URL: url, NODE_ENV: 'production' };
  }

  /** Runs a program to its end; throws what it said when it fails. */
  async runOnce(what, program, words) {
    const child = this.spawn(program, words);
    let text = '';
    child.stderr.on('data', (chunk) => (text = (text + chunk).slice(-3000)));
    child.stdout.on('data', (chunk) => process.stdout.write(chunk));
    const code = await new Promise((resolve) => child.once('exit', resolve));
    if (code !== 0) throw new SetupError(`${what} failed:\n${text}`);
  }

  startWeb() {
    const words = ['scripts/web.mjs', '--host', this.host, '--port', String(this.port)];
    this.keepRunning('The web process', process.execPath, words);
  }

  startWorkers(count) {
    for (let number = 1; number <= count; number += 1)
      this.keepRunning(`Worker ${number}`, process.execPath, ['.didaktor/worker/main.mjs']);
  }

  /** Returns once the web process answers. */
  async isUp() {
    for (let attempt = 0; attempt <= 300; attempt += 1) {
      const up = await fetch(`${this.base}/api/health`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (up) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new SetupError('The web process does not answer.');
  }

  async end() {
    this.isEnding = true;
    await Promise.all(
      [...this.alive.values()].map(
        (child) =>
          new Promise((resolve) => {
            if (child.exitCode !== null || child.signalCode !== null) return resolve();
            child.once('exit', resolve);
            child.kill('SIGTERM');
            setTimeout(() => child.kill('SIGKILL'), 5000).unref();
          }),
      ),
    );
    await this.cluster?.stop();
  }

  spawn(program, words) {
    return spawn(program, words, {
      cwd: root,
      env: { ...process.env, ...this.environment },
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    });
  }

  /** Starts a process, shows what it prints, and starts it again whenever it ends by itself. */
  keepRunning(name, program, words) {
    let deaths = 0;
    const begin = () => {
      if (this.isEnding) return;
      const began = Date.now();
      const child = this.spawn(program, words);
      this.alive.set(name, child);
      this.onChange();
      // Read, so that it never waits for a full pipe.
      child.stdout.on('data', (chunk) => process.stdout.write(chunk));
      child.stderr.on('data', (chunk) => process.stderr.write(chunk));
      child.once('exit', (code, signal) => {
        if (this.isEnding) return;
        deaths = Date.now() - began > 60_000 ? 1 : deaths + 1;
        const rest = Math.min(LONGEST_REST, 2 ** (deaths - 1) / 2);
        this.say(`${name} ended (${signal ?? code}); it is started again in ${rest} s.`);
        setTimeout(begin, rest * 1000);
      });
    };
    begin();
  }
}
