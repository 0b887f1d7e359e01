import type { FileWithPath } from 'file-selector';
import { isOfTheSystem, textOf, type AsideFile, type FoundFile, type TextFile } from '@/core/outside/files';
import { unpack } from '@/core/outside/unpack';
import { fail, ok, type Result } from '@/core/result';

/** Most files that are looked at, and bytes of one of them and of all. */
const MOST_FILES = 2000;
const [LARGEST_FILE, LARGEST_WHOLE] = [1_000_000, 60_000_000];

/** Texts from files that were chosen: from one archive, or from a folder or any number of files. */
export async function readFiles(
  files: readonly FileWithPath[],
  largestArchive: number,
): Promise<Result<{ readonly texts: readonly TextFile[]; readonly aside: readonly AsideFile[] }>> {
  const [first] = files;
  const found =
    files.length === 1 && /\.zip$/i.test(first!.name)
      ? await unpack(new Uint8Array(await first!.arrayBuffer()), {
          packed: largestArchive,
          entries: MOST_FILES,
          file: LARGEST_FILE,
          unpacked: LARGEST_WHOLE,
        })
      : await fromFolder(files);
  if (!found.ok) return found;
  const aside = [...found.value.aside];
  const texts = found.value.files.flatMap((file): readonly TextFile[] => {
    const text = textOf(file);
    if (text.ok) return [text.value];
    aside.push({ path: file.path, why: text.problems[0]!.message });
    return [];
  });
  return ok({ texts, aside });
}

async function fromFolder(
  files: readonly FileWithPath[],
): Promise<Result<{ readonly files: readonly FoundFile[]; readonly aside: readonly AsideFile[] }>> {
  const own = files
    .map((file) => ({
      file,
      path: (file.webkitRelativePath || file.path || file.name).replace(/^(\.?\/)+/, ''),
    }))
    .filter(({ path }) => !isOfTheSystem(path));
  if (own.length === 0) return fail({ message: 'There is no file in this.' });
  if (own.length > MOST_FILES)
    return fail({
      message: `There are more than ${MOST_FILES.toLocaleString('en')} files in this. Choose a smaller folder.`,
    });
  const found: FoundFile[] = [];
  const aside: AsideFile[] = [];
  let left = LARGEST_WHOLE;
  for (const { file, path } of own) {
    if (file.size > Math.min(LARGEST_FILE, left)) {
      aside.push({ path, why: 'It is larger than 1 MB.' });
      continue;
    }
    left -= file.size;
    found.push({ path, bytes: new Uint8Array(await file.arrayBuffer()), changedAt: file.lastModified });
  }
  return ok({ files: found, aside });
}
