import { isContact, isPowerSource, kindOf, roleOfLeg, type LegRole } from '../parts';
import { milliamps, volts } from '../units';
import { referencePins, type Exercise } from '../formats/exercise';
import type { LimitUse } from '../electrics/values/formulas';
import { Circuit } from '../wiring/circuit';
import { looksLikeInput } from '../wiring/inputs';
import type { Wiring } from '../wiring/wiring';

/** Steps of the work at which a caution can stand. */
export type CautionStep = 'parts' | 'values' | 'bring-up' | 'build' | 'vary' | 'find-fault';

/** What could go wrong for people or parts, at the step that needs it. */
export interface Caution {
  readonly step: CautionStep;
  readonly text: string;
  /** The parts that it is about; empty for the whole bench. */
  readonly refs: readonly string[];
  /** Whether it came from the author rather than from the circuit. */
  readonly isOwn: boolean;
}

/** What stands above every other caution. */
export const LOCAL_RULES =
  'The rules of your site, its own risk assessment and licensed practice come first; nothing here overrides them.';

/** Share of a limit from which a caution is due. */
const NEARLY = 0.8;

/**
 * The cautions of an exercise: those that its circuit calls for, each at the step that needs it, and the
 * author's own. `limits` are the board's limits in the worst state, tightest first.
 */
export function cautionsOf(exercise: Exercise, limits: readonly LimitUse[]): readonly Caution[] {
  const { reference, data } = exercise;
  const cautions: Caution[] = [
    {
      step: 'build',
      text: reference.board
        ? 'Unplug the board before any change of wiring, and look twice before power goes on.'
        : 'Disconnect the battery before any change of wiring, and look twice before it goes back on.',
      refs: [],
      isOwn: false,
    },
    ...hazards(reference),
    ...supplies(reference),
    ...contacts(reference),
    ...loading(exercise),
    ...fedPins(reference),
    ...powerSockets(reference),
    ...handWork(exercise),
    ...limits
      .filter(({ share }) => share >= NEARLY)
      .slice(0, 1)
      .map(({ what, currentMa, limitMa }): Caution => ({
        step: 'values',
        text: `${what[0]!.toUpperCase()}${what.slice(1)} comes to ${milliamps(currentMa)} of ${milliamps(limitMa)}. Add nothing to it without working it out again.`,
        refs: [],
        isOwn: false,
      })),
  ];
  const known = new Set(cautions.map(({ text }) => text));
  const own = data.cautions
    .filter((text) => !known.has(text) && !/^unplug the board/i.test(text))
    .map((text): Caution => ({ step: 'build', text, refs: [], isOwn: true }));
  return [...cautions, ...own];
}

/** What the kinds of parts say of themselves, once for all parts that say the same. */
function hazards(wiring: Wiring): readonly Caution[] {
  const byText = new Map<string, string[]>();
  for (const part of wiring.parts)
    for (const text of kindOf(part.kind).hazards) byText.set(text, [...(byText.get(text) ?? []), part.ref]);
  return [...byText].map(([text, refs]) => ({ step: 'build', text, refs, isOwn: false }));
}

function supplies(wiring: Wiring): readonly Caution[] {
  const sources = wiring.parts.filter(isPowerSource);
  const [first] = sources;
  if (!first) return [];
  const refs = sources.map(({ ref }) => ref as string);
  const moving = wiring.parts.filter(({ kind }) => kindOf(kind).surges).map(({ ref }) => ref as string);
  return [
    ...(wiring.board
      ? [
          {
            step: 'build',
            text: `${refs.join(' and ')} and the board share their ground and nothing else: no plus of one goes to a plus of the other.`,
            refs,
            isOwn: false,
          } as const,
        ]
      : []),
    {
      step: 'find-fault',
      text: 'Take the batteries out, or switch the bench supply off, before looking for a fault, and after class.',
      refs,
      isOwn: false,
    },
    ...(moving.length > 0
      ? [
          {
            step: 'vary',
            text: 'Keep fingers and hair away from what turns; centre it before anything is screwed on.',
            refs: moving,
            isOwn: false,
          } as const,
        ]
      : []),
  ];
}

/** Pins over which a program is loaded, where the exercise uses them. */
function loading(exercise: Exercise): readonly Caution[] {
  const serial = new Set(
    exercise.board.pins.filter(({ functions }) => functions.includes('serial')).map(({ name }) => name),
  );
  const used = referencePins(exercise).filter((pin) => serial.has(pin));
  return used.length === 0
    ? []
    : [
        {
          step: 'bring-up',
          text: `Take the wires off ${used.length === 1 ? 'pin' : 'pins'} ${used.join(' and ')} while a program is loaded: it comes in over ${used.length === 1 ? 'that pin' : 'those pins'}.`,
          refs: [],
          isOwn: false,
        },
      ];
}

/** Pins that a part gives a voltage to: driven the other way they fight it. */
function fedPins(wiring: Wiring): readonly Caution[] {
  const board = wiring.board?.profile;
  if (!board) return [];
  const circuit = new Circuit(wiring);
  return board.pins.flatMap(({ name }): readonly Caution[] => {
    const node = circuit.nodeOfPin(name);
    const source = node && circuit.legsAt(node.id).find(({ part, leg }) => gives(roleOfLeg(part, leg)));
    if (!source || !looksLikeInput(circuit, name)) return [];
    const { part } = source;
    return [
      {
        step: 'bring-up',
        text: `${part.ref} feeds pin ${name}: a program never makes it an output.`,
        refs: [part.ref],
        isOwn: false,
      },
    ];
  });
}

const gives = (role: LegRole | undefined): boolean => role === 'output' || role === 'measured';

/** What the power socket of a board may get in a class room, where something is joined to it. */
function powerSockets(wiring: Wiring): readonly Caution[] {
  const board = wiring.board?.profile;
  if (!board) return [];
  const circuit = new Circuit(wiring);
  return board.supplies.flatMap((socket): readonly Caution[] => {
    if (socket.role !== 'input' || !circuit.nodeOfPin(socket.name)) return [];
    const [from, to] = socket.volts.classRoom;
    const refs = circuit.parts.filter(isPowerSource).map(({ ref }) => ref as string);
    return [
      {
        step: 'build',
        text: `${socket.name} gets ${volts(from)} to ${volts(to)} in a class room, and never two supplies at once.`,
        refs,
        isOwn: false,
      },
    ];
  });
}

/** Small parts in hands; legs that are cut, and joints that are soldered, where an exercise has them so. */
function handWork({ reference, data }: Exercise): readonly Caution[] {
  const small = reference.parts.filter(
    (part) =>
      kindOf(part.kind).footprint.type === 'leads' && !kindOf(part.kind).conductor && !isPowerSource(part),
  );
  const words = [
    ...(data.assemblies ?? []).flatMap(({ steps }) => steps),
    ...Object.values(data.text).filter((text) => typeof text === 'string'),
  ].join(' ');
  return [
    ...(small.length > 0
      ? [
          {
            step: 'parts',
            text: 'Small parts stay out of mouths; what drops is picked up at once.',
            refs: [],
            isOwn: false,
          } as const,
        ]
      : []),
    ...(/\b(solder|trim|cut|strip|snip|drill)(s|ed|ing|ting|ping|ming|ling)?\b(?!-)/i.test(words)
      ? [
          {
            step: 'build',
            text: 'Eyes are covered where legs are trimmed, wires stripped or joints soldered; irons burn and fumes are blown away. Somebody trained stands by.',
            refs: [],
            isOwn: false,
          } as const,
        ]
      : []),
  ];
}

/** A button between a supply and a pin: what a row too far would join. */
function contacts(wiring: Wiring): readonly Caution[] {
  const board = wiring.board?.profile;
  if (!board) return [];
  const circuit = new Circuit(wiring);
  const feeding = board.supplies.filter((socket) => socket.role === 'supply');
  const refs = circuit.parts.flatMap((part): readonly string[] => {
    if (!isContact(part)) return [];
    const onSupply = circuit
      .nodesOf(part)
      .some((node) => circuit.node(node).pins.some((pin) => feeding.some((socket) => socket.name === pin)));
    return onSupply ? [part.ref] : [];
  });
  if (refs.length === 0) return [];
  return [
    {
      step: 'build',
      text: `${refs.join(' and ')} is joined to ${volts(board.logicVolts)}: never let it meet ground, or pressing it shorts the supply.`,
      refs,
      isOwn: false,
    },
  ];
}
