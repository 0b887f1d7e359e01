import { houseQuestions, type HouseQuestionId, type HouseRules } from '../course/house-rules';
import { boardsOf } from '../formats/exercise';
import { kindOf } from '../parts';
import { readWiring } from '../wiring/read';
import { findPart, nameOf, type PlacedPart, type Wiring } from '../wiring/wiring';
import { settle, type Sheet } from './sheet';

/** What an exercise would be like under another school, in sentences; says so when nothing would change. */
export function ruleEffect(
  sheet: Sheet,
  courseRules: HouseRules,
  question: HouseQuestionId,
  school: string,
): readonly string[] {
  if (!['circuit', 'layout'].includes(houseQuestions[question].decides))
    return ['The circuit and its layout stay as they are.'];
  const now = settle(sheet, courseRules, 'anew');
  const then = settle({ ...sheet, rules: { ...sheet.rules, [question]: school } }, courseRules, 'anew');
  if (!now.ok || !then.ok) return ['This cannot be worked out.'];
  const [before, after] = [now.value.sheet, then.value.sheet];
  const added = after.parts.filter((part) => !before.parts.some(({ ref }) => ref === part.ref));
  const gone = before.parts.filter((part) => !after.parts.some(({ ref }) => ref === part.ref));
  const other = after.parts.filter((part) => {
    const old = before.parts.find(({ ref }) => ref === part.ref);
    return old !== undefined && old.value !== part.value;
  });
  const rejoined = JSON.stringify(netKey(before)) !== JSON.stringify(netKey(after));
  const [wiredNow, wiredThen] = [wiringOf(before), wiringOf(after)];
  const wires = (wiring: Wiring | undefined): number =>
    wiring?.parts.filter(({ kind }) => kindOf(kind).conductor).length ?? 0;
  const moved = wiredNow && wiredThen ? movedParts(wiredNow, wiredThen) : [];
  const difference = wires(wiredThen) - wires(wiredNow);
  const said = [
    ...added.map(({ ref, kind, value }) => `${ref} comes in: ${value} ${kindOf(kind).title}.`),
    ...gone.map(({ ref }) => `${ref} goes out.`),
    ...other.map(({ ref, value }) => `${ref} becomes ${value}.`),
    ...(rejoined && added.length + gone.length === 0 ? ['Legs are joined otherwise.'] : []),
    ...(difference === 0
      ? []
      : [
          `${Math.abs(difference)} wire${Math.abs(difference) === 1 ? '' : 's'} ${difference > 0 ? 'more' : 'fewer'}.`,
        ]),
    ...(moved.length > 0 ? [`${moved.join(', ')} ${moved.length === 1 ? 'moves' : 'move'}.`] : []),
    ...(wiredNow && wiredThen && colours(wiredNow) !== colours(wiredThen)
      ? ['Wires get other colours.']
      : []),
  ];
  return said.length > 0
    ? said
    : ['Nothing would change here: the lines say it themselves, or no part is concerned.'];
}

const netKey = ({ nets }: Sheet): readonly string[] =>
  nets.map(({ points }) => [...points].sort().join(' ')).sort();

function wiringOf(sheet: Sheet): Wiring | undefined {
  const read = readWiring(sheet.layout ?? '', { boards: boardsOf(sheet) });
  return read.ok ? read.value : undefined;
}

const placesOf = (part: PlacedPart): string => part.legs.map(({ at }) => (at ? nameOf(at) : '')).join();

const movedParts = (before: Wiring, after: Wiring): readonly string[] =>
  before.parts.flatMap((part) => {
    const now = findPart(after, part.ref);
    return !kindOf(part.kind).conductor && now && placesOf(now) !== placesOf(part) ? [part.ref] : [];
  });

const colours = ({ parts }: Wiring): string =>
  parts
    .filter(({ kind }) => kindOf(kind).conductor)
    .map(({ value }) => value.text)
    .sort()
    .join();
