import { configure, Uint8ArrayReader, ZipReader, type Entry, type FileEntry } from '@zip.js/zip.js';
import { fail, ok, type Result } from '../result';
import { isOfTheSystem, type AsideFile, type FoundFile } from './files';

/** What an archive may take. */
export interface ArchiveLimits {
  /** Bytes of the archive itself. */
  readonly packed: number;
  /** Files and folders in it. */
  readonly entries: number;
  /** Bytes of one file; larger ones are set aside. */
  readonly file: number;
  /** Bytes of all files together. */
  readonly unpacked: number;
}

/** What was found in an archive. */
export interface Unpacked {
  readonly files: readonly FoundFile[];
  readonly aside: readonly AsideFile[];
}

configure({ useWebWorkers: false });

/**
 * Unpacks a ZIP into memory, within its limits and whatever its headers say: what is unpacked is counted while it is,
 * and nothing goes on beyond a limit. Refused as a whole are archives that are damaged, too large, encrypted throughout,
 * or made to be more than they seem; single files that cannot be taken are set aside.
 */
export async function unpack(bytes: Uint8Array, limits: ArchiveLimits): Promise<Result<Unpacked>> {
  if (bytes.length > limits.packed)
    return fail({
      message: `The archive has ${megabytes(bytes.length)}, and at most ${megabytes(limits.packed)} are taken. Bring it in in parts.`,
    });
  if (bytes.length < 22 || bytes[0] !== 0x50 || bytes[1] !== 0x4b)
    return fail({ message: 'This is no ZIP archive.' });
  const reader = new ZipReader(new Uint8ArrayReader(bytes), {
    checkOverlappingEntry: true,
    checkSignature: true,
    // Names are looked at below, one by one.
    filenameValidation: 'tolerant',
  });
  const entries: Entry[] = [];
  try {
    for await (const entry of reader.getEntriesGenerator()) {
      entries.push(entry);
      if (entries.length > limits.entries)
        return fail({
          message: `There are more than ${limits.entries.toLocaleString('en')} files in this archive.`,
        });
    }
  } catch {
    return fail({ message: 'The archive is damaged: its list of files can’t be read. Ask for it again.' });
  }
  return unpackEntries(entries, limits);
}

async function unpackEntries(entries: readonly Entry[], limits: ArchiveLimits): Promise<Result<Unpacked>> {
  const files: FoundFile[] = [];
  const aside: AsideFile[] = [];
  let left = limits.unpacked;
  for (const entry of entries) {
    if (entry.directory || isOfTheSystem(entry.filename)) continue;
    const path = pathOf(entry.filename);
    if (path === undefined) {
      aside.push({
        path: entry.filename,
        why: 'Its name leads out of the archive, as no honest archive’s does.',
      });
      continue;
    }
    if (entry.encrypted) {
      aside.push({ path, why: 'It is locked with a password.' });
      continue;
    }
    const unpacked = await contentOf(entry, Math.min(limits.file, left));
    if (unpacked === 'too much') {
      if (left <= limits.file)
        return fail({
          message: `Unpacked, this archive has more than ${megabytes(limits.unpacked)}. Bring it in in parts.`,
        });
      left -= limits.file;
      aside.push({ path, why: `It is larger than ${megabytes(limits.file)}.` });
    } else if (unpacked === 'damaged') aside.push({ path, why: 'It is damaged.' });
    else {
      left -= unpacked.length;
      files.push({ path, bytes: unpacked, changedAt: dateOf(entry) });
    }
  }
  return ok({ files, aside });
}

/** What a file of an archive holds, as long as it is no more than `most` bytes. */
async function contentOf(entry: FileEntry, most: number): Promise<Uint8Array | 'too much' | 'damaged'> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const stop = new AbortController();
  const writable = new WritableStream<Uint8Array>({
    write: (chunk) => {
      size += chunk.length;
      if (size > most) {
        stop.abort();
        throw new Error('too much');
      }
      chunks.push(chunk);
    },
  });
  try {
    await entry.getData(writable, { signal: stop.signal });
  } catch {
    return size > most ? 'too much' : 'damaged';
  }
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

/** A path with `/` between its folders; `undefined` for one that climbs or begins at the root. */
function pathOf(name: string): string | undefined {
  const path = name.replaceAll('\\', '/').normalize('NFC');
  const parts = path.split('/');
  const climbs =
    parts.includes('..') || path.startsWith('/') || /^[A-Za-z]:/.test(path) || path.includes('\0');
  return climbs ? undefined : parts.filter((part) => part !== '' && part !== '.').join('/');
}

/** When a file was changed; nothing for a moment that no file of a learner can have. */
function dateOf({ lastModDate }: FileEntry): number | undefined {
  const time = lastModDate.getTime();
  return Number.isNaN(time) || lastModDate.getFullYear() < 2000 ? undefined : time;
}

const megabytes = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${Number((bytes / 1e6).toFixed(1))} MB`;
