import { fileURLToPath } from 'node:url';
import { HELPS } from './command';
import { run } from './run';

async function main(): Promise<void> {
  const words = process.argv.slice(2);
  if (words[0] === HELPS) await (await import('./submissions')).judgeForAnother(words[1]!);
  else
    process.exitCode = await run(words, {
      out: (text) => process.stdout.write(text),
      error: (text) => process.stderr.write(text),
      folder: process.env['INIT_CWD'] ?? process.cwd(),
      program: fileURLToPath(import.meta.url),
    });
}

void main();
