import { fail, ok, type Result } from '../../result';
import { findKind, type StimulusKind } from '../../parts';
import { definitionOf, isBrought, readStimulus, touchedBy, type Stimulus } from '../../stimuli';
import { isSwitch, NAMES, onlyTouched, plainly, timed, type Named } from './plain';
import { BETWEEN, BRIGHT, DARK, isTouched, measured, ramped } from './brought';
import { withArticle } from '../../words/words';
import { inDoingWords } from './doing-words';
import { doingOf, notDone } from './examples';
import { lasting } from './lasting';
import { pressed } from './presses';
import { SECONDS } from './way';

/** What says that nothing is done. */
const NOTHING = new RegExp(
  `^(?:(?:do |does )?nothing(?: is done)?(?: for ${SECONDS})?|nobody (?:moves|is there|comes)|(?:do not|don't|never) touch anything|(?:just )?wait(?: for)?(?: ${SECONDS})?)$`,
  'i',
);
/** Seconds before something is done whose time nobody says. */
const BEGIN = 1;

/**
 * What is done to a circuit, as people say it: `press S1 twice`, `it gets dark at 2 s`, `turn the knob to the middle`.
 * A time that is not said follows what is done before; what comes of it is shown as the sentence that it became.
 */
export function readDone(
  text: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
): Result<readonly Stimulus[]> {
  const read = eachAtItsTime(text, parts, before) ?? readSaid(text, parts, before);
  const misfit = read.ok ? unlikeIts(read.value, parts) : undefined;
  return misfit === undefined ? read : fail({ message: misfit, typed: text });
}

/** `at 1 s press S1, at 2 s turn P1 to 50 %`: each with its time in front; `undefined` where that is not so. */
function eachAtItsTime(
  text: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
): Result<readonly Stimulus[]> | undefined {
  const said = text.trim().split(/[,;] (?:and |then )*(?=(?:at|after) \d)/i);
  if (
    said.length < 2 ||
    !said.every((one) => /^(?:at|after) \d[\d.]* ?(?:s|secs?|seconds?|ms)\b.* \S/i.test(one))
  )
    return undefined;
  const done: Stimulus[] = [];
  for (const one of said) {
    const read = readSaid(one, parts, [...before, ...done]);
    if (!read.ok) return read;
    done.push(...read.value);
  }
  return ok(done);
}

/** Why something cannot be done to the part that it names: a potentiometer is not pressed. */
function unlikeIts(done: readonly Stimulus[], parts: readonly Named[]): string | undefined {
  const touched = done.flatMap((stimulus) => touchedBy(stimulus) ?? []);
  const other = touched.find(({ how, name }) => !isTouched(name, how, parts));
  const part = parts.find(({ ref }) => ref === other?.name);
  const title = part && findKind(part.kind)?.title;
  if (!part || title === undefined) return undefined;
  const instead = doingOf(part);
  return instead === undefined
    ? `${part.ref} is ${withArticle(title)}: nothing is done to it.`
    : `${part.ref} is ${withArticle(title)}. Of it you can say “${instead}”.`;
}

/** What is said to be done, whether or not the part that it names is one for it. */
function readSaid(
  text: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
): Result<readonly Stimulus[]> {
  const direct = readStimulus(text);
  if (direct.ok) return ok([direct.value]);
  // “The light” is what falls on a sensor here, not an LED.
  const handled = parts.filter(({ kind }) => findKind(kind)?.stimulus !== undefined);
  const plain = inDoingWords(withSensors(plainly(text, handled), parts), parts, nextAt(before));
  if (NOTHING.test(plain))
    return fail({ message: 'Where nothing is done, nothing has to be written here.', typed: text });
  const released = new RegExp(`^(?:release|let go of) (${NAMES})\\b`, 'i').exec(plain);
  if (released)
    return fail({
      message: `Say how long ${released[1]!.toUpperCase()} is held where it is pressed: hold ${released[1]!.toUpperCase()} from 1 s to 3 s.`,
      typed: text,
    });
  const once = (sentence: string, also: readonly Stimulus[] = []): Result<readonly Stimulus[]> =>
    readPlain(sentence, parts, [...before, ...also]) ?? direct;
  const waited = new RegExp(`^wait(?: for)? ${SECONDS}(?:,? (?:and )?then|,? and|,) (.+)$`, 'i').exec(plain);
  const read = once(
    waited
      ? `${waited[2]!} at ${timed((before.length === 0 ? 0 : nextAt(before) - BETWEEN) + Number(waited[1]))} s`
      : plain,
  );
  if (read.ok) return read;
  const whole = lasting(plain, parts, before, (sentence, also) => {
    const found = once(inDoingWords(sentence, parts, nextAt([...before, ...(also ?? [])])), also);
    return found.ok ? found.value : undefined;
  });
  if (whole) return ok(whole);
  return read === direct ? notDone(text, plain, parts) : read;
}

/** What is done in plain words; `undefined` where nothing is recognised. */
function readPlain(
  plain: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
): Result<readonly Stimulus[]> | undefined {
  const sentences = said(plain, parts, before);
  const read = (sentences ?? [plain]).map((sentence) => readStimulus(sentence));
  const wrong = read.find((one) => !one.ok);
  if (!sentences && wrong) return undefined;
  return wrong && !wrong.ok ? wrong : ok(read.flatMap((one) => (one.ok ? [one.value] : [])));
}

/** When something may be done after all that is done already. */
function nextAt(before: readonly Stimulus[]): number {
  const ends = before.map((stimulus) => stimulus.at + (definitionOf(stimulus).lasts?.(stimulus) ?? 0));
  return ends.length === 0 ? BEGIN : timed(Math.max(...ends) + BETWEEN);
}

/** The sentences that are meant, in the form that is read; `undefined` where nothing is recognised. */
function said(
  plain: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
): readonly string[] | undefined {
  const usual = nextAt(before);
  const shaded = new RegExp(
    `^(?:cover|shade|darken) (.+) from ${SECONDS} (?:to|until) ${SECONDS}$`,
    'i',
  ).exec(withSensors(plain, parts));
  if (shaded)
    return [
      `light on ${shaded[1]} to ${DARK} at ${shaded[2]} s`,
      `light on ${shaded[1]} to ${BRIGHT} at ${shaded[3]} s`,
    ];
  const active = withHands(withSensors(plain, parts), parts)
    .replace(new RegExp(`^(${NAMES}) (?:pressed|pushed)\\b`, 'i'), 'press $1')
    .replace(new RegExp(`^(${NAMES}) is (?:pressed and held|held(?: down)?|kept pressed)\\b`, 'i'), 'hold $1')
    .replace(new RegExp(`^(${NAMES}) is (?:pressed|pushed|tapped)\\b`, 'i'), 'press $1')
    .replace(
      new RegExp(
        `^(${NAMES}) (?:sees|detects|notices|senses) (?:some(?:thing|body|one)|(?:a )?(?:motion|movement|person|hand))\\b`,
        'i',
      ),
      (all, name: string) => (isTouched(name, 'motion', parts) ? `motion at ${name}` : all),
    )
    .replace(new RegExp(`^double[- ]?(?:press|push|tap|click) (${NAMES})\\b`, 'i'), 'press $1 twice quickly')
    .replace(/^(?:push|tap|click)\b/i, 'press')
    .replace(/^(?:press and hold|keep pressing|hold down)\b/i, 'hold');
  const reset = new RegExp(
    `^(?:reset the board|press (?:the )?(?:board's )?reset(?: button)?|the board is reset)(?: (?:at|after) ${SECONDS})?$`,
    'i',
  ).exec(active);
  if (reset) return [`press the board's reset at ${reset[1] ?? usual} s`];
  return (
    pressed(active, usual) ??
    moved(active, parts, usual) ??
    powered(active, usual) ??
    typed(active, usual) ??
    ramped(active, parts, usual) ??
    measured(slid(active, parts, before), parts, usual)
  );
}

/** `the light sensor`, `the sensor` that is warmed: by its name, where only one can be meant. */
function withSensors(plain: string, parts: readonly Named[]): string {
  const named = (how: StimulusKind, all: string): string => onlyTouched(how, parts) ?? all;
  return plain
    .replace(/(?<= m (?:before|in front of|away from|from) )(?:the |your )?sensor\b/i, (all) =>
      named('distance', all),
    )
    .replace(/\bthe (light|temperature|distance|motion) sensor\b/gi, (all, what: string) =>
      named(what.toLowerCase() === 'temperature' ? 'warm' : (what.toLowerCase() as StimulusKind), all),
    )
    .replace(
      /(?<=^(?:warm|heat|cool)(?: up| down)? )(?:the sensor|the thermometer|it)(?= (?:to|with|between) )/i,
      (all) => named('warm', all),
    )
    .replace(
      / (?:in|into|on|to|over|via|through) (?:the )?(?:serial(?: (?:monitor|line|port|console|connection))?|monitor|console)\b/i,
      '',
    );
}

const THING = '(?:a |an |your |the )?(?:hand|book|box|finger|object|obstacle)';

/** Hands before a sensor, a wave at it, a light that is switched off, a knob at its end: in the words that are read. */
function withHands(plain: string, parts: readonly Named[]): string {
  return plain
    .replace(new RegExp(`^(?:hold|put|move|bring|wave) ${THING} (?=from [\\d.]+ m\\b)`, 'i'), 'something ')
    .replace(
      /^something (?:comes|moves|goes)(?: closer| nearer| away| off)? (?=from [\d.]+ m\b)/i,
      'something ',
    )
    .replace(
      new RegExp(
        `^(?:hold|put|move|bring) ${THING}(?: (?:to|at|within|up to))? (\\d+(?:\\.\\d+)?) m\\b`,
        'i',
      ),
      'something $1 m',
    )
    .replace(
      new RegExp(`^(?:hold|put|move|bring) ${THING} (?:in front of|before|near|close to) (${NAMES})`, 'i'),
      (all, name: string) =>
        isTouched(name, 'distance', parts) ? `something ${NEAR} m before ${name}` : all,
    )
    .replace(
      new RegExp(
        `^(?:some(?:thing|body|one)|${THING}) comes (?:within|to|up to|as near as) (\\d+(?:\\.\\d+)?) m\\b`,
        'i',
      ),
      'something $1 m',
    )
    .replace(
      new RegExp(
        `^(?:(?:some(?:body|one)|a (?:person|cat|dog)|you|we) )?(?:waves?|walks? (?:past|by)|comes? (?:past|by))(?: a hand)?(?:(?: (?:at|before|in front of|to))? (${NAMES}))?(?= |$)`,
        'i',
      ),
      (_, name?: string) => `motion${name === undefined ? '' : ` at ${name}`}`,
    )
    .replace(
      /^(?:switch|turn) (off|on) the (?:room )?lights?\b|^(?:switch|turn) the (?:room )?lights? (off|on)\b|^the (?:room )?lights? (?:goes|go|is switched|are switched) (off|on)\b/i,
      (_, ...states: (string | undefined)[]) =>
        states.slice(0, 3).some((state) => /off/i.test(state ?? '')) ? 'it gets dark' : 'it gets bright',
    )
    .replace(
      new RegExp(
        `^(${NAMES}) (?:is )?at (?:its )?(max(?:imum)?|min(?:imum)?|half|the middle|the end)\\b`,
        'i',
      ),
      (all, name: string, where: string) =>
        isTouched(name, 'turn', parts)
          ? `turn ${name} to ${/^max|end/i.test(where) ? 1 : /^min/i.test(where) ? 0 : 0.5}`
          : all,
    );
}

/** Metres at which a hand is held whose distance nobody says. */
const NEAR = 0.1;

/** Seconds that somebody moves who walks past. */
const MOVES_S = 2;

/** Something moves before a motion sensor. */
function moved(text: string, parts: readonly Named[], usual: number): readonly string[] | undefined {
  const found = new RegExp(
    `^(?:(?:some(?:thing|body|one)|a (?:hand|person)) )?(?:moves?|walks?|pass(?:es)?|motion|movement)\\b(?: (?:is )?(?:before|in front of|past|at|near|by) (${NAMES}))?(.*)$`,
    'i',
  ).exec(text);
  const sensor = found && (found[1] ?? onlyTouched('motion', parts));
  if (!found || !sensor) return undefined;
  const how = found[2]!.trim();
  const at = new RegExp(`(?:^| )at ${SECONDS}`, 'i').exec(how)?.[1];
  const length = new RegExp(`(?:^| )for ${SECONDS}`, 'i').exec(how)?.[1];
  const range = new RegExp(`^from ${SECONDS} (?:to|until) ${SECONDS}$`, 'i').exec(how);
  if (range)
    return [
      `something moves before ${sensor} at ${range[1]} s for ${timed(Number(range[2]) - Number(range[1]))} s`,
    ];
  if (how.replace(new RegExp(`(?:at|for) ${SECONDS}`, 'gi'), '').trim() !== '') return undefined;
  return [`something moves before ${sensor} at ${at ?? usual} s for ${length ?? MOVES_S} s`];
}

/** Seconds without power where it is switched off and on. */
const OFF_S = 1;

/** What feeds the board is taken away or given back. */
function powered(text: string, usual: number): readonly string[] | undefined {
  const source = '(?:power|supply|board|battery|usb|cable|plug)';
  const again = new RegExp(
    `^(?:switch|turn) (?:the )?${source} off and (?:then )?(?:back )?on(?: again)?(?: at ${SECONDS})?$|^(?:switch|turn) off and on(?: again)? the ${source}$`,
    'i',
  ).exec(text);
  if (again) {
    const at = Number(again[1] ?? usual);
    return [`supply off at ${at} s`, `supply on at ${timed(at + OFF_S)} s`];
  }
  const found = new RegExp(
    `^(?:(unplug|disconnect|plug in|connect|switch off|switch on|turn off|turn on)(?: (?:the )?${source})?|(?:the )?${source} (?:goes |is (?:switched |turned )?|comes )?(off|on|back|out)|(?:switch|turn) (?:the )?${source} (off|on))(?: at ${SECONDS})?$`,
    'i',
  ).exec(text);
  if (!found) return undefined;
  const [, verb = '', state = '', other = '', at] = found;
  const isOff = /^(?:unplug|disconnect)|off|out/i.test(verb || state || other);
  return [`supply ${isOff ? 'off' : 'on'} at ${at ?? usual} s`];
}

/** Something is typed on the computer. */
function typed(text: string, usual: number): readonly string[] | undefined {
  const found = new RegExp(
    `^(?:type|send|enter|write) (.+?)( and (?:return|enter|press (?:return|enter)))?(?: at ${SECONDS})?$`,
    'i',
  ).exec(text);
  if (!found) return undefined;
  const [, what = '', enter, at] = found;
  const quoted = /^["“'].*["”']$/.test(what) ? what : /["“”']/.test(what) ? undefined : `"${what}"`;
  return quoted === undefined
    ? undefined
    : [`type ${quoted}${enter ? ' and return' : ''} at ${at ?? usual} s`];
}

/** A slide switch as a potentiometer of two places: on, off, or the other one. */
function slid(text: string, parts: readonly Named[], before: readonly Stimulus[]): string {
  const found = new RegExp(
    `^(?:(switch|flip|slide|push|turn|set|move|toggle) )?(${NAMES})(?: (?:to )?(on|off|over|across|back|(?:the )?other (?:side|way)))?(?= |$)`,
    'i',
  ).exec(text);
  const [all = '', verb, name = '', to = ''] = found ?? [];
  if (!found || !isSwitch(name, parts)) return text;
  const last = before.filter((one) => touchedBy(one)?.name === name.toUpperCase() && isBrought(one)).at(-1);
  const isOver = last !== undefined && isBrought(last) && last.to > 0.5;
  const share = /^on$/i.test(to) ? 1 : /^off$/i.test(to) ? 0 : isOver ? 0 : 1;
  const rest = text.slice(all.length);
  // What says where it goes by itself, or nothing of it, is left as it is.
  return to === '' && (verb === undefined || /^ to\b/i.test(rest)) ? text : `turn ${name} to ${share}${rest}`;
}
