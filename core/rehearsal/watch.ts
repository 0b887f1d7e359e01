import type { LegName, Ref } from '../brand';
import { effort } from '../effort';
import { AT_REST, kindOf, roleOfLeg, type LegPair } from '../parts';
import type { PlacedPart } from '../wiring/wiring';
import type { LiveCircuit } from './live-circuit';
import type { AngleChange, CurrentChange, PullChange, SoundChange, TurnChange } from './trace';

/** Difference of two currents, in mA, that is the solver's rather than the circuit's. */
const NO_CHANGE_MA = 1e-6;

/** Pitch of the usual active buzzer, in Hz, and the current from which it sounds. */
const OWN_PITCH_HERTZ = 2300;
const SOUNDS_FROM_MA = 1;
/** Change of current that moves the disc of a passive buzzer so that it can be heard, in mA. */
const HEARD_FROM_MA = 0.3;

/** Share of its rated volts from which a motor overcomes its friction, and what is the same speed to an eye. */
const TURNS_FROM = 0.15;
const SAME_SPEED = 0.01;

/** A servo moves from this supply on, in V. */
const SERVO_FROM_VOLTS = 3.5;
/** Levels of a servo's signal, in V. */
const [SIGNAL_LOW, SIGNAL_HIGH] = [0.9, 2.2];
/** Pulses a second that a servo follows. */
const [SLOWEST_HERTZ, FASTEST_HERTZ] = [30, 330];
/** Widths of pulse at the ends of a servo's travel of 180°, in µs. */
export const SERVO_ENDS: readonly [number, number] = [544, 2400];
/** Shorter and longer pulses are no signal, in µs. */
const [SHORTEST_PULSE, LONGEST_PULSE] = [300, 2800];

/** The angle that a servo turns to, in degrees from 0 to 180, by the width of its pulses in µs. */
export function servoAngle(microseconds: number): number {
  const [least, most] = SERVO_ENDS;
  return Math.max(0, Math.min(180, ((microseconds - least) / (most - least)) * 180));
}

/** A servo with the legs of its signal and of its supply. */
interface Servo extends LegPair {
  readonly part: PlacedPart;
  readonly signal: LegName;
}

function servoOf(part: PlacedPart): Servo {
  const signal = part.legs.find(({ leg }) => roleOfLeg(part, leg) === 'input')!.leg;
  return { part, signal, ...kindOf(part.kind).supplyLegs! };
}

/** `U1.lamp`, and `U1.lamp2` where a board has more of them. */
const ownLightName = (board: Ref, index: number): string => `${board}.lamp${index === 0 ? '' : index + 1}`;

function note(lights: Map<string, CurrentChange[]>, name: string, at: number, currentMa: number): void {
  const changes = lights.get(name) ?? [{ at: 0, currentMa: 0 }];
  if (Math.abs(changes.at(-1)!.currentMa - currentMa) > NO_CHANGE_MA) changes.push({ at, currentMa });
  lights.set(name, changes);
}

/** Writes down what LEDs, buzzers and servos do whenever the circuit has changed. */
export class Watch {
  readonly leds = new Map<string, CurrentChange[]>();
  /** The LEDs on the board itself, by `U1.lamp`. */
  readonly ownLights = new Map<string, CurrentChange[]>();
  readonly sounds = new Map<Ref, SoundChange[]>();
  readonly angles = new Map<Ref, AngleChange[]>();
  readonly turns = new Map<Ref, TurnChange[]>();
  readonly pulls = new Map<Ref, PullChange[]>();
  private readonly pitches = new Map<Ref, 'own' | 'given'>();
  private readonly servos: readonly Servo[];
  private readonly motors: readonly PlacedPart[];
  private readonly relays: readonly PlacedPart[];
  /** Since when a servo's signal is high, for pulses that the program makes step by step. */
  private readonly highSince = new Map<Ref, number>();

  constructor(private readonly live: LiveCircuit) {
    const { circuit } = live;
    for (const { ref, value, kind } of circuit.partsWhere(({ observed }) => observed === 'sound')) {
      this.sounds.set(ref, [{ at: 0, currentMa: 0, hertz: 0 }]);
      this.pitches.set(ref, kindOf(kind).spokenTo?.(value) === 'tone' ? 'given' : 'own');
    }
    this.servos = circuit.partsWhere(({ observed }) => observed === 'angle').map(servoOf);
    for (const { part } of this.servos) this.angles.set(part.ref, []);
    this.motors = circuit.partsWhere(({ observed }) => observed === 'turning');
    this.relays = circuit.partsWhere(({ observed }) => observed === 'click');
    for (const { ref } of this.motors) this.turns.set(ref, [{ at: 0, speed: 0 }]);
    for (const { ref } of this.relays) this.pulls.set(ref, [{ at: 0, isPulled: false }]);
    this.record(0);
  }

  record(at: number): void {
    const { point } = this.live;
    effort(3000 + 300 * (point.leds.size + this.sounds.size + this.servos.length));
    for (const [name, currentMa] of point.leds) note(this.leds, name, at, currentMa);
    this.recordOwnLights(at);
    for (const [ref, changes] of this.sounds) {
      const currentMa = point.parts.get(ref)?.currentMa ?? 0;
      const hertz = this.hertzOf(ref, currentMa);
      const last = changes.at(-1)!;
      if (last.hertz !== hertz || Math.abs(last.currentMa - currentMa) > NO_CHANGE_MA)
        changes.push({ at, currentMa, hertz });
    }
    for (const servo of this.servos) this.recordServo(servo, at);
    for (const motor of this.motors) this.recordMotor(motor, at);
    for (const relay of this.relays) this.recordRelay(relay, at);
  }

  private recordOwnLights(at: number): void {
    const { board } = this.live.circuit.wiring;
    if (board)
      for (const [index, currentMa] of this.live.ownLights.entries())
        note(this.ownLights, ownLightName(board.ref, index), at, currentMa);
  }

  private hertzOf(ref: Ref, currentMa: number): number {
    if (this.pitches.get(ref) === 'own') return currentMa >= SOUNDS_FROM_MA ? OWN_PITCH_HERTZ : 0;
    const heard = this.live.swings.find(({ duty, high, low }) => {
      const [one, other] = [high, low].map((point) => point.parts.get(ref)?.currentMa ?? 0);
      // The fundamental of a pulse: a duty of 255 in 65535 gives needles that nobody hears.
      return Math.abs(one! - other!) * Math.sin(Math.PI * duty) >= HEARD_FROM_MA;
    });
    return heard?.hertz ?? 0;
  }

  private recordMotor(motor: PlacedPart, at: number): void {
    const { plus, minus } = kindOf(motor.kind).powerLegs!;
    const share = (this.live.voltsBetween(motor, plus, minus) ?? 0) / motor.value.amount!;
    const speed = Math.abs(share) < TURNS_FROM ? 0 : share;
    const changes = this.turns.get(motor.ref)!;
    if (Math.abs(changes.at(-1)!.speed - speed) > SAME_SPEED) changes.push({ at, speed });
  }

  private recordRelay(relay: PlacedPart, at: number): void {
    const { react, powerLegs } = kindOf(relay.kind);
    const volts = (leg: LegName): number => this.live.voltsBetween(relay, leg, powerLegs!.minus) ?? 0;
    const isPulled = react?.(volts, AT_REST).pulled ?? false;
    const changes = this.pulls.get(relay.ref)!;
    if (changes.at(-1)!.isPulled !== isPulled) changes.push({ at, isPulled });
  }

  private recordServo({ part, signal, plus, minus }: Servo, at: number): void {
    const { ref } = part;
    if ((this.live.voltsBetween(part, plus, minus) ?? 0) < SERVO_FROM_VOLTS) return;
    const turnTo = (microseconds: number): void => {
      if (microseconds < SHORTEST_PULSE || microseconds > LONGEST_PULSE) return;
      const degrees = servoAngle(microseconds);
      const changes = this.angles.get(ref)!;
      if (Math.abs((changes.at(-1)?.degrees ?? -1) - degrees) > 0.01) changes.push({ at, degrees });
    };
    const followed = this.live.swings.find(
      ({ hertz, high, low }) =>
        hertz >= SLOWEST_HERTZ &&
        hertz <= FASTEST_HERTZ &&
        (this.live.voltsBetween(part, signal, minus, high) ?? 0) >= SIGNAL_HIGH &&
        (this.live.voltsBetween(part, signal, minus, low) ?? SIGNAL_HIGH) <= SIGNAL_LOW,
    );
    if (followed) turnTo((followed.duty / followed.hertz) * 1e6);
    const volts = this.live.voltsBetween(part, signal, minus) ?? 0;
    const since = this.highSince.get(ref);
    if (volts >= SIGNAL_HIGH && since === undefined) this.highSince.set(ref, at);
    if (volts <= SIGNAL_LOW && since !== undefined) {
      this.highSince.delete(ref);
      turnTo((at - since) * 1e6);
    }
  }
}
