import type { BoardProfile } from '../../boards';
import { prepareBench, type PinDrive } from '../../electrics/bench';
import { solveBench, type BenchPoint } from '../../electrics/bench-point';
import { glowAt } from '../../electrics/brightness';
import { ref as makeRef } from '../../brand';
import { milliamps } from '../../units';
import { isResistor, kindOf, type PartKind } from '../../parts';
import { Circuit } from '../../wiring/circuit';
import type { Wiring } from '../../wiring/wiring';
import { hookupOf, type HookedPin } from '../hookup';
import { listText } from '../../words/words';

export type Level = 'high' | 'low';
/** How a language writes the two levels: `HIGH` and `LOW`. */
export type LevelWords = Readonly<Record<Level, string>>;

/** What is done to a pin, or read from it, said of the parts that hang on it. Sentences end with a full stop. */
export interface CircuitWords {
  /** `pin 13, where D1 is connected`. */
  readonly named: (pin: string) => string;
  readonly becomesOutput: (pin: string) => string;
  /** `pull`: what the board itself holds it at. */
  readonly becomesInput: (pin: string, pull: 'up' | 'down' | 'none') => string;
  readonly gives: (pin: string, level: Level) => string;
  /** A level that is worked out while the program runs: high under a condition. */
  readonly follows: (pin: string, condition: string) => string;
  /** `share`: how much of the time it is high, 0 to 1. */
  readonly pulses: (pin: string, share: number) => string;
  /** A duty that is worked out while the program runs; `range` is what always on is written as. */
  readonly pulsesBy: (pin: string, says: string, range: number) => string;
  readonly sounds: (pin: string, says: string) => string;
  /** `the voltage at pin A0, which the potentiometer P1 sets, as a number …`. */
  readonly measures: (pin: string, range: number) => string;
  /** `the level at pin 2: LOW while S1 is pressed, HIGH otherwise`. */
  readonly readsLevel: (pin: string) => string;
  /** `S1 is pressed`, when that is what the level means. */
  readonly contactAt: (pin: string, level: Level) => string | undefined;
  /** The servo on a pin. */
  readonly servoAt: (pin: string) => string | undefined;
}

/** Current that a part without a light must carry to do anything, in mA. */
const ACTS_FROM_MA = 0.3;

/** Words for what the pins of a board do in a circuit, from its operating points. */
export function circuitWords(wiring: Wiring, board: BoardProfile, words: LevelWords): CircuitWords {
  const circuit = new Circuit(wiring, board);
  const bench = prepareBench(circuit);
  const hooked = new Map(hookupOf(wiring, board).map((pin) => [pin.pin, pin]));
  const kindOn = (pin: HookedPin | undefined): PartKind | undefined => {
    const part = pin && circuit.part(makeRef(pin.ref));
    return part && kindOf(part.kind);
  };
  const supply = `${board.logicVolts} V`;

  const solved = new Map<string, BenchPoint>();
  const at = (pin: string, drive: PinDrive): BenchPoint => {
    const key = JSON.stringify([pin, drive]);
    const point = solved.get(key) ?? solveBench(bench, new Map([[pin, drive]]));
    solved.set(key, point);
    return point;
  };
  const ends = (pin: string): readonly [high: BenchPoint, low: BenchPoint] => [
    at(pin, { mode: 'high' }),
    at(pin, { mode: 'low' }),
  ];
  /** The lights that look otherwise by the level of a pin. */
  const ledsOn = (pin: string): readonly string[] => {
    const [high, low] = ends(pin);
    return [...high.leds.keys()].filter(
      (led) => glowAt(high.leds.get(led) ?? 0) !== glowAt(low.leds.get(led) ?? 0),
    );
  };
  /** What a pin's drive does, after a colon; empty when nothing hangs on it. */
  const effect = (pin: string, drive: PinDrive): string => {
    const here = at(pin, drive);
    const leds = ledsOn(pin).map((led) => {
      const currentMa = here.leds.get(led) ?? 0;
      const glow = glowAt(currentMa);
      if (glow === 'dark') return `${ledName(led)} is dark`;
      return `${ledName(led)} ${glow === 'lit' ? 'lights up' : 'glows faintly'} with ${milliamps(currentMa)}`;
    });
    const others = circuit.parts.flatMap(({ ref, kind, value }) => {
      const { deeds, spokenTo } = kindOf(kind);
      if (!deeds) return [];
      const currentIn = (point: BenchPoint): number => Math.abs(point.parts.get(ref)?.currentMa ?? 0);
      const [high, low] = ends(pin).map(currentIn) as [number, number];
      if (Math.abs(high - low) >= ACTS_FROM_MA)
        return [`${ref} ${currentIn(here) >= Math.max(high, low) / 2 ? deeds.on : deeds.off}`];
      // A module is told by a voltage, not by a current that is worth speaking of.
      const isTold = spokenTo?.(value) === 'level' && hooked.get(pin)?.ref === ref;
      return isTold ? [`${ref} ${drive.mode === 'high' ? deeds.on : deeds.off}`] : [];
    });
    const own = board.onBoard.find((led) => led.pin === pin);
    // The board's own LED is spoken of where there is nothing else to look at.
    const onBoard =
      own && leds.length + others.length === 0 && drive.mode !== 'pwm'
        ? [`the board’s built-in LED ${drive.mode === own.lights ? 'lights up' : 'is dark'}`]
        : [];
    const all = [...leds, ...others, ...onBoard];
    return all.length > 0 ? `: ${listText(all)}` : '';
  };
  /** The one light that a pin switches, or else the part that hangs on it. */
  const subject = (pin: string): string | undefined => {
    const own = hooked.get(pin);
    const leds = own ? ledsOn(pin) : [];
    return leds.length === 1 ? ledName(leds[0]!) : own?.ref;
  };
  const whenUsed = (own: HookedPin): string => (kindOn(own)?.contact === 'latching' ? 'on' : 'pressed');
  const resistorAt = (pin: string): string | undefined => {
    const node = circuit.nodeOfPin(pin);
    return node && circuit.partsAt(node.id).find(isResistor)?.ref;
  };

  const gives = (pin: string, mode: Level): string =>
    `Pin ${pin} gives ${mode === 'high' ? supply : '0 V'}${effect(pin, { mode })}.`;
  return {
    gives,
    named: (pin) => {
      const hangs = subject(pin);
      return `pin ${pin}${hangs ? `, where ${hangs} is connected` : ''}`;
    },
    becomesOutput: (pin) => {
      const driven = subject(pin);
      return `Pin ${pin} becomes an output${driven ? `, so that the board can drive ${driven}` : ''}.`;
    },
    becomesInput: (pin, pull) => {
      const own = hooked.get(pin);
      const begin = `Pin ${pin} becomes an input`;
      if (own?.does.role !== 'contact') return `${begin}${own ? `: it listens to ${own.ref}` : ''}.`;
      const { active } = own.does;
      const used = `${own.ref} makes it ${words[active]} while it is ${whenUsed(own)}`;
      if (pull !== 'none')
        return `${begin} that the board itself holds ${words[pull === 'up' ? 'high' : 'low']}. ${used}.`;
      const holds = resistorAt(pin);
      return holds
        ? `${begin}. ${holds} holds it ${words[opposite(active)]}; ${used}.`
        : `${begin}. ${used}; nothing holds it the rest of the time.`;
    },
    follows: (pin, condition) =>
      `Pin ${pin} gives ${supply} when ${condition}${effect(pin, { mode: 'high' })}; otherwise 0 V${effect(pin, { mode: 'low' })}.`,
    pulses: (pin, share) => {
      if (share <= 0 || share >= 1) return gives(pin, share <= 0 ? 'low' : 'high');
      const seen = effect(pin, { mode: 'pwm', duty: share });
      return `Pin ${pin} is high ${Math.round(share * 100)}\u00a0% of the time, too fast to see${seen && `${seen} on average`}.`;
    },
    pulsesBy: (pin, says, range) =>
      `Pin ${pin} is switched on and off too fast to see, by ${says}. At 0 it is never on${effect(pin, { mode: 'low' })}; at ${range} it is always on${effect(pin, { mode: 'high' })}.`,
    sounds: (pin, says) => `${hooked.get(pin)?.ref ?? `Pin ${pin}`} sounds at ${says} Hz.`,
    measures: (pin, range) => {
      const own = hooked.get(pin);
      const by = kindOn(own)?.measures;
      return `the voltage at pin ${pin}${own && by ? `, which ${by} ${own.ref} sets,` : ''} as a number: 0 for 0 V, ${range} for ${board.analog.referenceVolts} V`;
    },
    readsLevel: (pin) => {
      const own = hooked.get(pin);
      if (own?.does.role !== 'contact')
        return `the level at pin ${pin}${own ? `, from ${own.ref}` : ''}: ${words.high} or ${words.low}`;
      const { active } = own.does;
      return `the level at pin ${pin}: ${words[active]} while ${own.ref} is ${whenUsed(own)}, ${words[opposite(active)]} otherwise`;
    },
    contactAt: (pin, level) => {
      const own = hooked.get(pin);
      const deeds = own?.does.role === 'signal' ? kindOn(own)?.deeds : undefined;
      if (deeds) return `${own!.ref} ${level === 'high' ? deeds.on : deeds.off}`;
      if (own?.does.role !== 'contact') return undefined;
      return `${own.ref} is ${own.does.active === level ? '' : 'not '}${whenUsed(own)}`;
    },
    servoAt: (pin) => {
      const own = hooked.get(pin);
      return own?.does.role === 'servo' ? own.ref : undefined;
    },
  };
}

const opposite = (level: Level): Level => (level === 'high' ? 'low' : 'high');

/** `D1`, `the red light of D1`. */
function ledName(led: string): string {
  const [part, light] = led.split('.');
  if (light === undefined) return part!;
  return /\d|^.$/.test(light) ? `light ${light} of ${part}` : `the ${light} light of ${part}`;
}
