import { quantity, type Observation } from '../../findings/finding';
import type { SingleExpectation } from '../../formats/scenario';
import { heardIntervals } from '../../rehearsal/heard';
import { lastBy, observedSeconds, pictureRows } from '../../rehearsal/trace';
import { figure, seconds } from '../../units';
import { partTextOf } from '../words';
import { absent, failedWith, passed, windowOf, type Check } from './outcome';
import { capital } from '../../words/words';

type Of<Key extends string> = Extract<SingleExpectation, Readonly<Record<Key, unknown>>>;

/** Share of the half circle, and of a tone, that is off unnoticed. */
const ANGLE_TOLERANCE = 5 / 180;
const TONE_TOLERANCE = 0.03;

/** Where a servo stands at the end of its window. */
export const checkAngle: Check<Of<'angle'>> = (expectation, observed) => {
  const ref = observed.builtRef(expectation.servo);
  if (ref === undefined) return absent(expectation.servo);
  const [, to] = windowOf(expectation, observed.trace);
  const degrees = lastBy(observed.trace.angles.get(ref), to)?.degrees;
  const found = degrees === undefined ? 'it gets no signal' : `at ${Math.round(degrees)}°`;
  const tolerance = (expectation.tolerance ?? ANGLE_TOLERANCE) * 180;
  if (degrees !== undefined && Math.abs(degrees - expectation.angle) <= tolerance) return passed(found);
  return failedWith(found, {
    code: 'angle-off',
    severity: 'fault',
    refs: [ref],
    message:
      degrees === undefined
        ? `${capital(partTextOf(observed.wiring, ref))} gets no signal it can follow, or no power; it should be at ${expectation.angle}° at ${seconds(to)}.`
        : `${capital(partTextOf(observed.wiring, ref))} is at ${Math.round(degrees)}° at ${seconds(to)}; it should be at ${expectation.angle}°.`,
    hints: [
      `What angle did the program last send to ${ref} before ${seconds(to)}?`,
      `${ref}: ${found}; it should be at ${expectation.angle}°.`,
      degrees === undefined
        ? `Check that ${ref} has power, that its ground is connected to the board, and that the program uses the pin its signal lead is on.`
        : `Write ${expectation.angle} to ${ref} before ${seconds(to)}.`,
    ],
    evidence:
      degrees === undefined
        ? {}
        : { angle: quantity(degrees, '°'), wanted: quantity(expectation.angle, '°') },
  });
};

/** Whether a buzzer sounds all the time, or not at all, or with a tone. */
export const checkSound: Check<Of<'buzzer'>> = (expectation, observed) => {
  const ref = observed.builtRef(expectation.buzzer);
  const changes = ref && observed.trace.sounds.get(ref);
  if (ref === undefined || !changes) return absent(expectation.buzzer);
  const [from, to] = windowOf(expectation, observed.trace);
  const heard = heardIntervals(changes, observedSeconds(observed.trace)).filter(
    (interval) => interval.to > from + 0.02 && interval.from < to - 0.02,
  );
  const sounding = heard.filter(({ hertz }) => hertz > 0);
  const summary =
    sounding.length === 0
      ? 'silent all the time'
      : sounding.length === heard.length
        ? `sounds all the time, ${[...new Set(sounding.map(({ hertz }) => `${hertz} Hz`))].join(', ')}`
        : sounding
            .slice(0, 5)
            .map(
              (one) =>
                `${one.hertz} Hz from ${seconds(Math.max(from, one.from))} to ${seconds(Math.min(to, one.to))}`,
            )
            .join(', ');
  const off = 'tone' in expectation ? offTone(expectation, sounding) : undefined;
  const right =
    'tone' in expectation
      ? off === undefined
      : expectation.is === 'on'
        ? sounding.length === heard.length && heard.length > 0
        : sounding.length === 0;
  if (right) return passed(summary);
  const wanted =
    'tone' in expectation ? `${figure(expectation.tone)} Hz` : expectation.is === 'on' ? 'sound' : 'silence';
  const failure: Observation = {
    code:
      'tone' in expectation && sounding.length > 0
        ? 'tone-off'
        : sounding.length === 0
          ? 'tone-off'
          : 'timing-off',
    severity: 'fault',
    refs: [ref],
    message: `${capital(partTextOf(observed.wiring, ref))} is heard so from ${seconds(from)} to ${seconds(to)}: ${summary}. ${capital(wanted)} is wanted.`,
    hints: [
      `What is to be heard from ${ref} from ${seconds(from)} to ${seconds(to)}?`,
      `${ref}: ${summary}; it should be ${wanted}.`,
      'tone' in expectation
        ? `Give ${ref} a tone of ${figure(expectation.tone)} Hz in that time.`
        : `Switch ${ref} ${expectation.is} in that time.`,
    ],
    evidence: off === undefined ? {} : { tone: quantity(off, 'Hz') },
  };
  return failedWith(summary, failure);
};

/** The first tone that is not the wanted one, 0 for none at all; `undefined` when all are right. */
function offTone(
  { tone, tolerance = TONE_TOLERANCE }: Extract<SingleExpectation, { tone: number }>,
  sounding: readonly { readonly hertz: number }[],
): number | undefined {
  if (sounding.length === 0) return 0;
  return sounding.find(({ hertz }) => Math.abs(hertz - tone) > tone * tolerance)?.hertz;
}

/** What an LED panel shows at the end of its window. */
export const checkPicture: Check<Of<'panel'>> = (expectation, observed) => {
  const ref = observed.builtRef(expectation.panel);
  if (ref === undefined) return absent(expectation.panel);
  const [, to] = windowOf(expectation, observed.trace);
  const rows = lastBy(observed.trace.pictures.get(ref), to)?.rows;
  const shown = rows && pictureRows(rows);
  const found = shown ? shown.join('/') : 'it shows nothing';
  if (shown && shown.every((row, index) => row === expectation.picture[index])) return passed(found);
  const row = shown?.findIndex((line, index) => line !== expectation.picture[index]) ?? 0;
  return failedWith(found, {
    code: 'picture-off',
    severity: 'fault',
    refs: [ref],
    message: shown
      ? `${capital(partTextOf(observed.wiring, ref))} shows the wrong picture at ${seconds(to)}: row ${row + 1} is ${shown[row]}; it should be ${expectation.picture[row]}.`
      : `${capital(partTextOf(observed.wiring, ref))} shows nothing at ${seconds(to)}: it gets no power or no data.`,
    hints: [
      `Compare the rows of ${ref} with the wanted picture, from the top.`,
      shown
        ? `Row ${row + 1} of ${ref} is ${shown[row]}; it should be ${expectation.picture[row]}.`
        : `Nothing reaches ${ref}.`,
      shown
        ? `Write ${Number.parseInt(expectation.picture[row]!.replace(/\./g, '0').replace(/#/g, '1'), 2)} to row ${row} of ${ref}.`
        : `Check the supply, ground and three data wires of ${ref}, and that the program wakes it up.`,
    ],
    evidence: { row: quantity(row + 1, '') },
  });
};

/** What a text display reads at the end of its window. */
export const checkDisplay: Check<Of<'display'>> = (expectation, observed) => {
  const ref = observed.builtRef(expectation.display);
  if (ref === undefined) return absent(expectation.display);
  const [, to] = windowOf(expectation, observed.trace);
  const lines = lastBy(observed.trace.texts.get(ref), to)?.lines;
  const shown = lines?.map((line) => line.trimEnd());
  const found = shown ? shown.map((line) => `“${line}”`).join(' / ') : 'it shows nothing';
  const off = expectation.text.findIndex((line, index) => line.trimEnd() !== (shown?.[index] ?? ''));
  if (shown && off < 0) return passed(found);
  const line = Math.max(0, off);
  return failedWith(found, {
    code: 'text-off',
    severity: 'fault',
    refs: [ref],
    message: shown
      ? `Line ${line + 1} of ${partTextOf(observed.wiring, ref)} reads “${shown[line] ?? ''}” at ${seconds(to)}; it should read “${expectation.text[line]}”.`
      : `${capital(partTextOf(observed.wiring, ref))} shows nothing at ${seconds(to)}: it gets no power or no data.`,
    hints: [
      `What should line ${line + 1} of ${ref} read at ${seconds(to)}?`,
      `${ref}: ${found}; it should read “${expectation.text[line]}”.`,
      `Set the cursor to line ${line} and print “${expectation.text[line]}”.`,
    ],
    evidence: { line: quantity(line + 1, '') },
  });
};
