import { brightnessAt } from '../electrics/brightness';
import { definitionOf, touchedBy, type Stimulus } from '../stimuli';
import { heardIntervals } from './heard';
import { linesPrinted } from './printed';
import { seenIntervals, seenStretches, type SeenInterval } from './seen';
import { lightsOf, observedSeconds, type SeenTrace } from './trace';

/** A stretch of a row in which something is so; seconds from the start. */
export interface TimelineMark {
  readonly from: number;
  readonly to: number;
  readonly strength: 'full' | 'faint';
  /** What it is, where that is not plain: `2300 Hz`, `90°`, `0.5`. */
  readonly label?: string | undefined;
  /** What tells a picture from others with the same label. */
  readonly picture?: string | undefined;
  /** How bright it is in pieces of equal length, from 0 to 1 of the brightest of its row; where it is not the same throughout. */
  readonly levels?: readonly number[] | undefined;
}

/** What is done to one part, or what it is seen or heard to do. */
export interface TimelineRow {
  readonly name: string;
  readonly sort: 'done' | 'seen' | 'heard' | 'turned' | 'shown' | 'printed';
  readonly marks: readonly TimelineMark[];
}

export interface ScenarioTimeline {
  readonly scenario: string;
  readonly seconds: number;
  readonly rows: readonly TimelineRow[];
}

/** What is run: a scenario, without what must come of it. */
interface Scenario {
  readonly name: string;
  readonly for: number;
  readonly stimuli: readonly Stimulus[];
}

/** A run of a scenario as rows over time: first what is done, then what comes of it. */
export function runRows({ name, for: seconds, stimuli }: Scenario, trace: SeenTrace): ScenarioTimeline {
  const until = observedSeconds(trace);
  const leds = [...lightsOf(trace)].map(([led, changes]): TimelineRow => {
    const stretches = seenStretches(changes, until);
    return {
      name: led,
      sort: 'seen',
      marks: seenIntervals(changes, until).flatMap(({ from, to, glow }) =>
        glow === 'dark'
          ? []
          : [
              {
                from,
                to,
                strength: glow === 'lit' ? 'full' : 'faint',
                ...levelsIn(stretches, from, to),
              },
            ],
      ),
    };
  });
  const sounds = [...trace.sounds].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'heard',
    marks: heardIntervals(changes, until).flatMap(({ from, to, hertz }) =>
      hertz === 0 ? [] : [{ from, to, strength: 'full', label: `${hertz} Hz` }],
    ),
  }));
  const angles = [...trace.angles].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).map(({ at, to, degrees }) => ({
      from: at,
      to,
      strength: 'faint',
      label: `${Math.round(degrees)}°`,
    })),
  }));
  const turns = [...trace.turns].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).flatMap(({ at, to, speed }) =>
      speed === 0
        ? []
        : [
            {
              from: at,
              to,
              strength: 'full',
              label: `${speed < 0 ? '−' : ''}${Math.round(Math.abs(speed) * 100)} %`,
            },
          ],
    ),
  }));
  const pulls = [...trace.pulls].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).flatMap(({ at, to, isPulled }) =>
      isPulled ? [{ from: at, to, strength: 'full', label: 'pulled in' }] : [],
    ),
  }));
  const texts = [...trace.texts].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'shown',
    marks: lasting(changes, until).flatMap(({ at, to, lines }) => {
      const label = lines.map((line) => line.trim()).join(' / ');
      return label.replace(/[ /]/g, '') === '' ? [] : [{ from: at, to, strength: 'faint', label }];
    }),
  }));
  const pictures = [...trace.pictures].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'shown',
    marks: lasting(changes, until).flatMap(({ at, to, rows }) => {
      const lit = rows.reduce((sum, row) => sum + bitsOf(row), 0);
      return lit === 0
        ? []
        : [{ from: at, to, strength: 'full', label: `${lit} lit`, picture: rows.join(' ') }];
    }),
  }));
  const printed = printedRow(trace, until);
  const seen = [...leds, ...sounds, ...angles, ...turns, ...pulls, ...texts, ...pictures, ...printed];
  return { scenario: name, seconds, rows: [...doneRows(stimuli, until), ...seen] };
}

/** Pieces into which a stretch is cut at most, and how long one is at least, in seconds. */
const [MOST_PIECES, SHORTEST_PIECE] = [120, 0.02];
/** Share of the brightest by which brightnesses differ that are drawn as one. */
const SAME_LEVEL = 0.08;

/** How bright a light is in the pieces of a stretch, where that changes. */
function levelsIn(
  stretches: readonly SeenInterval[],
  from: number,
  to: number,
): Pick<TimelineMark, 'levels'> {
  // A moment at either end is part of how it begins or ends.
  const within = stretches.filter(
    (one) => Math.min(to, one.to) - Math.max(from, one.from) > SHORTEST_PIECE / 2,
  );
  const brightest = Math.max(...stretches.map(({ currentMa }) => brightnessAt(currentMa)));
  const shares = within.map(({ currentMa }) => brightnessAt(currentMa) / brightest);
  if (shares.length < 2 || Math.max(...shares) - Math.min(...shares) < SAME_LEVEL) return {};
  const count = Math.max(2, Math.min(MOST_PIECES, Math.floor((to - from) / SHORTEST_PIECE)));
  return {
    levels: Array.from({ length: count }, (_, index) => {
      const at = from + ((index + 0.5) * (to - from)) / count;
      const there = within.findIndex((one) => one.from <= at && one.to > at);
      return Number((shares[there] ?? shares.at(-1)!).toFixed(2));
    }),
  };
}

/** Lines that have a stretch of their own in a row; of more only some can be read. */
const MOST_LINES = 40;

/** What the board prints: each line until the next one, of several at nearly the same time the first. */
function printedRow(trace: SeenTrace, until: number): readonly TimelineRow[] {
  const shown: { readonly from: number; readonly text: string; more: boolean }[] = [];
  for (const { at, text } of linesPrinted(trace, 0, until)) {
    const last = shown.at(-1);
    if (last && at - last.from < until / MOST_LINES) last.more = true;
    else shown.push({ from: at, text, more: false });
  }
  const marks = shown.map(({ from, text, more }, index): TimelineMark => ({
    from,
    to: shown[index + 1]?.from ?? until,
    strength: 'faint',
    label: more ? `${text} …` : text,
  }));
  return marks.length === 0 ? [] : [{ name: 'text', sort: 'printed', marks }];
}

/** LEDs that are lit in a row of a picture. */
const bitsOf = (row: number): number => [...row.toString(2)].filter((bit) => bit === '1').length;

/** Changes with the moment at which the next one comes. */
function lasting<Change extends { readonly at: number }>(
  changes: readonly Change[],
  until: number,
): readonly (Change & { readonly to: number })[] {
  return changes
    .map((change, index) => ({ ...change, to: changes[index + 1]?.at ?? until }))
    .filter(({ at, to }) => to - at > 0.001);
}

function doneRows(stimuli: readonly Stimulus[], until: number): readonly TimelineRow[] {
  const names = [...new Set(stimuli.map((stimulus) => touchedBy(stimulus)?.name ?? 'board'))];
  return names.map((name) => {
    const own = stimuli
      .filter((stimulus) => (touchedBy(stimulus)?.name ?? 'board') === name)
      .sort((one, other) => one.at - other.at);
    return {
      name,
      sort: 'done',
      marks: own.map((stimulus, index) => markOf(stimulus, own[index + 1]?.at ?? until)),
    };
  });
}

function markOf(stimulus: Stimulus, next: number): TimelineMark {
  const { lasts, label } = definitionOf(stimulus);
  const from = stimulus.at;
  if (label) return { from, to: next, strength: 'faint', label: label(stimulus) };
  const length = lasts(stimulus);
  return { from, to: length === undefined ? next : from + length, strength: 'full' };
}
