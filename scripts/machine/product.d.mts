import type { ChildProcess } from 'node:child_process';

export function portToUse(host: string, wanted: number, isWish: boolean): Promise<number>;

export class Product {
  constructor(given: {
    readonly cluster: string;
    readonly host?: string;
    readonly port: number;
    readonly say: (text: string) => void;
    readonly onChange?: () => void;
    readonly onLoss: (error: Error) => void;
  });
  readonly alive: Map<string, ChildProcess>;
  readonly base: string;
  readonly cluster: { readonly pid: number };
  startDatabase(options?: { readonly quick?: boolean }): Promise<string>;
  use(url: string): void;
  runOnce(what: string, program: string, words: readonly string[]): Promise<void>;
  startWeb(): void;
  startWorkers(count: number): void;
  isUp(): Promise<void>;
  end(): Promise<void>;
}
