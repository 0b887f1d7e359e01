import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';

/** The day that all files of an archive bear, so that the same files are the same bytes. */
// eslint-disable-next-line no-restricted-globals -- a constant, and no clock
const DAY = new Date('2026-01-01T00:00:00Z');

/** Files as a ZIP, in their order; the same files are the same bytes. */
export async function zipOf(
  files: Iterable<readonly [path: string, content: string | Uint8Array]>,
): Promise<Uint8Array> {
  const writer = new ZipWriter(new Uint8ArrayWriter(), {
    useWebWorkers: false,
    extendedTimestamp: false,
    lastModDate: DAY,
  });
  for (const [path, content] of files)
    await writer.add(
      path,
      typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content),
    );
  return writer.close();
}
