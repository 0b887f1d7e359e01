import { inItsPlace, isAccepted, otherValueOf, otherValues } from './compared-values';
import { placesOf, socketsOf } from './places';
import { quantity, type Observation } from '../findings/finding';
import { watchedOwnPin, type Exercise } from '../formats/exercise';
import type { Trace } from '../rehearsal/trace';
import { isResistor, kindOf, roleOfLeg } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import type { Match } from './match';
import type { ComparingRule, MeetingRule } from './subject';
import { legText, partInFull, partText } from '../wiring/words';
import { capital, withArticle } from '../words/words';

/** Built parts by the reference part they stand for: by the match, else by name, else the only one of a kind. */
export function correspondence(
  asked: Circuit,
  built: Circuit,
  match: Match,
): ReadonlyMap<string, PlacedPart> {
  const pairs = new Map<string, PlacedPart>();
  const left = new Set(built.parts);
  const pair = (reference: string, part: PlacedPart | undefined): void => {
    if (!part || !left.has(part)) return;
    pairs.set(reference, part);
    left.delete(part);
  };
  const references = asked.parts;
  for (const { ref } of references) {
    const matched = match.parts.get(ref);
    pair(ref, matched === undefined ? undefined : built.part(matched));
  }
  const passes: readonly ((reference: PlacedPart, part: PlacedPart) => boolean)[] = [
    (reference, part) => part.ref === reference.ref && part.value.text === reference.value.text,
    (reference, part) => part.value.text === reference.value.text,
    (reference, part) => part.ref === reference.ref,
    () => true,
  ];
  for (const agrees of passes)
    for (const reference of references)
      if (!pairs.has(reference.ref))
        pair(
          reference.ref,
          [...left].find((part) => part.kind === reference.kind && agrees(reference, part)),
        );
  return pairs;
}

/** Parts that are missing, too many, of another kind or value than the exercise asks for. */
export const comparedParts: ComparingRule = (built, asked) => {
  const { exercise, pairs } = asked;
  const found: Observation[] = [];
  const resistors: { readonly reference: PlacedPart; readonly part: PlacedPart }[] = [];
  for (const reference of asked.circuit.parts) {
    const part = pairs.get(reference.ref);
    const kind = kindOf(reference.kind);
    if (!part) {
      const what = kind.describe(reference.value);
      found.push({
        code: 'part-missing',
        severity: 'fault',
        refs: [reference.ref],
        message: `The exercise has ${withArticle(what)}, ${reference.ref}; it is not in your record.`,
        hints: [
          `Compare your parts with the parts list. Is every part there?`,
          `The list has ${withArticle(what)}; your record has none.`,
          `Plug in ${withArticle(what)}, or record where it is.`,
        ],
      });
      continue;
    }
    if (isResistor(part)) resistors.push({ reference, part });
    else if (part.value.text !== reference.value.text && !isAccepted(exercise, reference, part))
      found.push({
        code: 'wrong-part',
        severity: 'fault',
        refs: [part.ref],
        at: placesOf(part),
        message: `${capital(partInFull(part))} is used where the exercise asks for ${withArticle(kind.describe(reference.value))}.`,
        hints: [
          `Compare ${part.ref} with the parts list. Is it the same part?`,
          `${part.ref} is ${part.value.text}; the exercise asks for ${reference.value.text}.`,
          `Use ${withArticle(kind.describe(reference.value))} for ${part.ref}.`,
        ],
        repair: {
          text: `Use ${withArticle(kind.describe(reference.value))} for ${part.ref}.`,
          edits: [{ value: part.ref, to: reference.value.text }],
        },
      });
  }
  found.push(
    ...otherValues(
      exercise,
      resistors.flatMap(({ reference, part }) => otherValueOf(built, asked, reference, part) ?? []),
    ),
    ...resistors.flatMap(({ reference, part }) => inItsPlace(asked, reference, part)),
  );
  const paired = new Set([...pairs.values()].map((part) => part.ref));
  for (const part of asked.compared.circuit.parts)
    if (!paired.has(part.ref))
      found.push({
        code: 'part-extra',
        severity: 'advice',
        refs: [part.ref],
        at: placesOf(part),
        message: `${capital(partText(part))} is not on the parts list.`,
        hints: [
          `Which of your parts is not on the parts list?`,
          `${capital(partText(part))} is not part of the exercise.`,
          `Leave ${part.ref} in if you meant it; otherwise take it out.`,
        ],
      });
  return found;
};

/** Whether a module talks to the board over a pin: no line of a program writes to that pin or reads it. */
export function isOnBus(circuit: Circuit, pin: string): boolean {
  const node = circuit.nodeOfPin(pin);
  return (
    node !== undefined && circuit.legsAt(node.id).some(({ part, leg }) => roleOfLeg(part, leg) === 'bus')
  );
}

/** Pins on which program and wiring do not meet, or which the exercise has fixed otherwise. */
export const comparedPins: MeetingRule = ({ circuit }, { exercise, match, pins }, { runs }) => {
  const trace = runs[0]?.trace;
  if (!trace) return [];
  const wiredPins = circuit.wiredSignals;
  const driven = [...trace.pins.keys(), ...trace.reads.keys(), ...trace.undirected.map(({ pin }) => pin)];
  const codeOnly = [...new Set(driven)].filter((pin) => !wiredPins.includes(pin));
  const wiredOnly = wiredPins.filter((pin) => !driven.includes(pin) && !isOnBus(circuit, pin));
  const found: Observation[] = [];
  const [code] = codeOnly;
  const [wired] = wiredOnly;
  const { board } = exercise;
  const fixed = pins.filter((pin) => !exercise.pinFreedom.has(pin));
  const own = watchedOwnPin(exercise);
  if (own !== undefined && code !== undefined && !driven.includes(own))
    found.push(besidesOwnLight(trace, board, code, own));
  else if (code !== undefined && wired !== undefined) {
    const line =
      trace.pins.get(code)?.[0]?.line ?? trace.undirected.find(({ pin }) => pin === code)?.line ?? 1;
    const wiringIsOff = fixed.length > 0 && !fixed.includes(wired);
    found.push({
      code: wiringIsOff ? 'wrong-pin' : 'pin-disagrees',
      severity: 'fault',
      refs: [],
      at: socketsOf(circuit, wired),
      ...(wiringIsOff ? {} : { line, column: 1 }),
      message: `The program uses pin ${code}, but the wire is in pin ${wired}.`,
      hints: [
        `Which pin does the program use, and which pin is the wire in?`,
        `The program uses pin ${code} (line ${line}); nothing is connected there. The wire is in pin ${wired}.`,
        wiringIsOff
          ? `Move the wire from pin ${wired} to pin ${code}.`
          : `Write ${wired} instead of ${code} in the program, or move the wire to pin ${code}.`,
      ],
      evidence: {
        programPin: quantity(pinNumber(board, code), ''),
        wiredPin: quantity(pinNumber(board, wired), ''),
      },
    });
  } else if (wired === undefined && wiredPins.length > 0 && fixed.length > 0) {
    const strays = wiredPins.filter((pin) => !fixed.includes(pin) && ![...match.pins.values()].includes(pin));
    const [stray] = strays;
    const wanted = fixed.find((pin) => !wiredPins.includes(pin));
    if (stray !== undefined && wanted !== undefined && isOnBus(circuit, stray))
      found.push(offTheBus(circuit, exercise.board, stray, wanted));
    else if (stray !== undefined && wanted !== undefined)
      found.push({
        code: 'wrong-pin',
        severity: 'fault',
        refs: [],
        at: socketsOf(circuit, stray),
        message: `The exercise asks for pin ${wanted}; your program and wire use pin ${stray}.`,
        hints: [
          `Which pin does the exercise ask for?`,
          `You used pin ${stray}; the exercise asks for pin ${wanted}.`,
          `Move the wire to pin ${wanted} and write ${wanted} in the program.`,
        ],
        evidence: {
          wantedPin: quantity(pinNumber(board, wanted), ''),
          wiredPin: quantity(pinNumber(board, stray), ''),
        },
      });
  }
  return found;
};

/** A line of a module that talks to the board over one pin only, on another one: whatever the program, it is deaf. */
function offTheBus(circuit: Circuit, board: Exercise['board'], stray: string, wanted: string): Observation {
  const node = circuit.nodeOfPin(stray)!;
  const { part, leg } = circuit.legsAt(node.id).find((one) => roleOfLeg(one.part, one.leg) === 'bus')!;
  const what = legText(part, leg);
  return {
    code: 'wrong-pin',
    severity: 'risk',
    refs: [part.ref],
    at: socketsOf(circuit, stray),
    message: `${capital(what)} is on pin ${stray}. The board talks to it on pin ${wanted} only, so nothing reaches it.`,
    hints: [
      `On which pins does the board talk to ${partText(part)}?`,
      `${capital(what)} is on pin ${stray}; it belongs on pin ${wanted}.`,
      `Move the wire from pin ${stray} to pin ${wanted}.`,
    ],
    evidence: {
      wantedPin: quantity(pinNumber(board, wanted), ''),
      wiredPin: quantity(pinNumber(board, stray), ''),
    },
  };
}

/** A program that drives a pin, and the LED on the board hangs on another one. */
function besidesOwnLight(trace: Trace, board: Exercise['board'], code: string, own: string): Observation {
  const line = trace.pins.get(code)?.[0]?.line ?? 1;
  return {
    code: 'pin-disagrees',
    severity: 'fault',
    refs: [],
    line,
    column: 1,
    message: `The program uses pin ${code}, but the LED on the board is on pin ${own}.`,
    hints: [
      'Which pin is the LED on the board connected to?',
      `The program uses pin ${code} (line ${line}); the LED on the board is on pin ${own}.`,
      `Write ${own} instead of ${code} in the program.`,
    ],
    evidence: {
      programPin: quantity(pinNumber(board, code), ''),
      wiredPin: quantity(pinNumber(board, own), ''),
    },
  };
}

const pinNumber = (board: Exercise['board'], name: string): number =>
  board.pins.find((pin) => pin.name === name)?.number ?? Number.NaN;
