import { run } from './run';

process.exitCode = await run(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  error: (text) => process.stderr.write(text),
  folder: process.env['INIT_CWD'] ?? process.cwd(),
});
