import type { AsideFile, TextFile } from './files';
import { namedIn, signedBy, wordsIn, type Named } from './whose';
import { PROGRAM_LIMIT } from '../program/limits';
import { TABLE_LIMIT, tableColumns } from '../wiring/table';

/** A hand-in as it was put together from files, as far as it is known whose it is and for what. */
export interface BroughtIn {
  /** What tells it from the others. */
  readonly key: string;
  readonly wiring?: TextFile;
  readonly program?: TextFile;
  readonly stated?: TextFile;
  readonly learnerId?: string;
  readonly exerciseId?: string;
  /** Learners it could be of, when there are several. */
  readonly couldBe: readonly string[];
  /** When the last of its files was changed, in milliseconds since 1970. */
  readonly changedAt?: number;
}

export interface SortedOut {
  readonly handIns: readonly BroughtIn[];
  readonly aside: readonly AsideFile[];
}

type Role = 'wiring' | 'program' | 'stated';

interface Sorted {
  readonly file: TextFile;
  readonly role: Role;
  readonly learnerId?: string;
  readonly couldBe: readonly string[];
  readonly exerciseId?: string;
  /** Files of the same hand-in have the same. */
  readonly group: string;
}

/** Words of file names that say what a file is, not whose. */
const ROLE_WORDS: ReadonlySet<string> = new Set(
  'wiring circuit table connections program code sketch main stated final new copy csv ino cpp c h py txt tsv'.split(
    ' ',
  ),
);

/**
 * Puts the hand-ins of a class together from files as learners send them, under any names: what each file is, by what
 * is in it; whose, by the names in its path or at the head of its program; for which exercise, by the title, the name or
 * the number in its path, else `usual`. What cannot be told stays open, for somebody to say. Of two files for the same,
 * the later one counts.
 */
export function sortOut(
  files: readonly TextFile[],
  learners: readonly Named[],
  exercises: readonly Named[],
  usual?: string,
): SortedOut {
  const aside: AsideFile[] = [];
  const sorted: Sorted[] = [];
  for (const file of files) {
    const role = roleOf(file);
    const longest = role === 'wiring' ? TABLE_LIMIT : PROGRAM_LIMIT;
    if (role === undefined)
      aside.push({ path: file.path, why: 'It is neither a wiring table nor a program.' });
    else if (file.text.length > longest)
      aside.push({
        path: file.path,
        why: `It has ${file.text.length.toLocaleString('en')} characters, and at most ${longest.toLocaleString('en')} are taken.`,
      });
    else sorted.push(sort(file, role, learners, exercises, usual));
  }
  const groups = new Map<string, Sorted[]>();
  for (const one of sorted) groups.set(one.group, [...(groups.get(one.group) ?? []), one]);
  const handIns = [...groups].map(([key, members]) => put(key, members, aside));
  return { handIns: handIns.toSorted((one, other) => (one.key < other.key ? -1 : 1)), aside };
}

/** What a file holds, by what stands in it, else by what its name ends with. */
function roleOf({ path, text }: TextFile): Role | undefined {
  const name = path.split('/').at(-1)!.toLowerCase();
  if (/^stated\b.*\.txt$/.test(name)) return 'stated';
  const heading = text.split('\n').find((line) => line.trim() !== '') ?? '';
  const cells = new Set(heading.split(/[,;\t]/).map((cell) => cell.replaceAll('"', '').trim().toLowerCase()));
  if (tableColumns.every((column) => cells.has(column))) return 'wiring';
  if (/\.(csv|tsv)$/.test(name)) return 'wiring';
  if (/\.(ino|cpp|cc|c|h|hpp|py)$/.test(name)) return 'program';
  if (/\bvoid\s+(setup|loop)\s*\(|\bwhile True:|^\s*(import|from)\s+\w+/m.test(text)) return 'program';
  return undefined;
}

function sort(
  file: TextFile,
  role: Role,
  learners: readonly Named[],
  exercises: readonly Named[],
  usual: string | undefined,
): Sorted {
  const words = wordsIn(file.path);
  const byPath = namedIn(words, learners);
  const whose =
    byPath.is === 'found' || byPath.ids.length > 0 || role !== 'program'
      ? byPath
      : signedBy(file.text, learners);
  const what = namedIn(words, exercises);
  const exerciseId = what.is === 'found' ? what.id : usual;
  const folder = file.path.split('/').slice(0, -1).join('/');
  const stem = words.filter((word) => !ROLE_WORDS.has(word) && !/^\d+$/.test(word)).join(' ');
  return {
    file,
    role,
    couldBe: whose.is === 'unclear' ? whose.ids : [],
    ...(whose.is === 'found' ? { learnerId: whose.id } : {}),
    ...(exerciseId === undefined ? {} : { exerciseId }),
    group:
      whose.is === 'found'
        ? `${whose.id} ${exerciseId ?? folder}`
        : // Without a name, files belong together that lie in a folder of their own, or are called the same.
          `? ${folder.includes('/') || stem === '' ? folder : stem}`,
  };
}

/** One hand-in from the files that belong to it; of several of one sort the latest, the others aside. */
function put(key: string, members: readonly Sorted[], aside: AsideFile[]): BroughtIn {
  const of = (role: Role): TextFile | undefined => {
    const candidates = members.filter((member) => member.role === role).map(({ file }) => file);
    const [latest, ...older] = candidates.toSorted(
      (one, other) => (other.changedAt ?? 0) - (one.changedAt ?? 0) || (one.path < other.path ? 1 : -1),
    );
    for (const { path } of older)
      aside.push({ path, why: `${latest!.path} takes its place: it is the later one.` });
    return latest;
  };
  const [wiring, program, stated] = [of('wiring'), of('program'), of('stated')];
  const times = [wiring, program, stated].flatMap((file) => file?.changedAt ?? []);
  const [first] = members;
  return {
    key,
    ...(wiring ? { wiring } : {}),
    ...(program ? { program } : {}),
    ...(stated ? { stated } : {}),
    ...(first!.learnerId === undefined ? {} : { learnerId: first!.learnerId }),
    ...(first!.exerciseId === undefined ? {} : { exerciseId: first!.exerciseId }),
    couldBe: first!.couldBe,
    ...(times.length > 0 ? { changedAt: Math.max(...times) } : {}),
  };
}
