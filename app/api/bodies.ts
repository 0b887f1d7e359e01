/** An answer that says why something was not done. */
export const refuse = (status: number, message: string): Response => Response.json({ message }, { status });

/** Whether a request that changes something comes from a page of another site. */
export function isForeign(request: Request): boolean {
  const origin = request.headers.get('origin');
  return origin !== null && new URL(origin).host !== request.headers.get('host');
}

/** The body as text; `undefined` when it is longer than allowed, whatever its header claims. */
export async function readBody(request: Request, largest: number): Promise<string | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > largest) return undefined;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > largest) {
      await reader.cancel();
      return undefined;
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** A text parsed as JSON; `undefined` when it is none. */
export function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
