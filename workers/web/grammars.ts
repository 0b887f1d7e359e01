import type { Grammars } from '@/core/program';
import { loadGrammars } from '@/grammars/load';

let grammars: Promise<Grammars> | undefined;

async function fetchBytes(url: URL): Promise<Uint8Array> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url.pathname}: ${answer.status}`);
  return new Uint8Array(await answer.arrayBuffer());
}

/** Loads the grammars once for a worker; a failure is forgotten, so that the next one who asks tries again. */
export function webGrammars(): Promise<Grammars> {
  grammars ??= Promise.all([
    fetchBytes(new URL('web-tree-sitter/web-tree-sitter.wasm', import.meta.url)),
    fetchBytes(new URL('tree-sitter-cpp/tree-sitter-cpp.wasm', import.meta.url)),
    fetchBytes(new URL('tree-sitter-python/tree-sitter-python.wasm', import.meta.url)),
  ])
    .then(([runtime, cpp, python]) => loadGrammars({ runtime, cpp, python }))
    .catch((error: unknown) => {
      grammars = undefined;
      throw error;
    });
  return grammars;
}
