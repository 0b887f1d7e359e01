import { findPin, isBoard, pinsInRange, type BoardProfile, type PinFunction } from '../boards';
import { isResistor, isSingleLight, ohmsText, readOhms } from '../parts';
import { figure } from '../units';
import { holds, nearestInKit } from './kit';
import { freePins, needWords } from './pin-advice';
import { inOrder, isLegPin, pinList } from './pins';
import { ALL_OUTPUTS } from './reading/outputs';
import { recipeFor, type Recipe } from './recipes';
import {
  exchanged,
  heldBy,
  pieceOf,
  recounted,
  tidied,
  withPins,
  withWord,
  wordsBefore,
  wordsBehind,
} from './rewrite';
import {
  isLegByLeg,
  type Offer,
  type Piece,
  type ReadLine,
  type Slot,
  type Statement,
  type StatementContext,
  type Trouble,
} from './statement';
import { capital, howMany, withArticle } from '../words/words';

/** Most parts that one line may ask for. */
const MOST_PARTS = 60;

/** What is taken: the pin, and who has it. */
export type TakenPins = ReadonlyMap<string, string>;

/** What a line wishes that cannot be, or is not said yet: each with what is possible, and lines that ask for that. */
export function wishTroubles(
  line: ReadLine,
  statement: Statement,
  context: StatementContext,
  taken: TakenPins,
): readonly Trouble[] {
  const wishes = new Wishes(line, statement, context, taken);
  return [
    ...wishes.board(),
    ...wishes.value(),
    ...(isLegByLeg(statement) ? [] : [...wishes.ends(), ...wishes.count(), ...wishes.pins()]),
    ...(isLegByLeg(statement) ? [] : wishes.pull()),
    ...wishes.resistor(),
    ...wishes.current(),
    ...wishes.freedom(),
  ];
}

/** `LEDs on 2-11` says how many without a number. */
export function counted(said: Statement, board: BoardProfile): Statement {
  const statement = onOutputs(said, board);
  if (statement.count > 1 || isLegByLeg(statement)) return statement;
  const each = recipeFor(statement.kind.kind, board).needs(statement).length;
  const { length } = statement.pins;
  return each === 1 && length > 1 ? { ...statement, count: length } : statement;
}

/** A statement on the outputs of a chip as a whole, with as many of them as it needs. */
function onOutputs(statement: Statement, board: BoardProfile): Statement {
  const [, chip] = new RegExp(`^(.+)\\.${ALL_OUTPUTS}$`).exec(statement.pins[0] ?? '') ?? [];
  if (chip === undefined) return statement;
  const each = recipeFor(statement.kind.kind, board).needs(statement).length;
  return {
    ...statement,
    pins: Array.from({ length: Math.max(1, statement.count * each) }, (_, index) => `${chip}.q${index}`),
  };
}

class Wishes {
  readonly #line: ReadLine;
  readonly #statement: Statement;
  readonly #context: StatementContext;
  readonly #taken: TakenPins;
  readonly #recipe: Recipe;

  constructor(line: ReadLine, statement: Statement, context: StatementContext, taken: TakenPins) {
    this.#line = line;
    this.#statement = statement;
    this.#context = context;
    this.#taken = taken;
    this.#recipe = recipeFor(statement.kind.kind, context.board);
  }

  /** Parts that a program has to speak to need a board. */
  board(): readonly Trouble[] {
    if (!this.#recipe.needsBoard) return [];
    const { kind } = this.#statement;
    // What is turned or lit by hand does something in a circuit of its own, where its legs are joined one by one.
    const isByHand = kind.stimulus !== undefined && kind.spokenTo === undefined;
    if (isByHand && isLegByLeg(this.#statement)) return [];
    const legs = kind.legs
      .map(({ name }, index) => `${name} to ${index === 0 ? 'G1.plus' : 'D1.anode'}`)
      .slice(0, 2);
    return [
      this.#stops(
        'kind',
        isByHand
          ? `There is no board to read ${withArticle(kind.title)}. Say what its legs are joined to, as in “${kind.title}: ${legs.join(', ')}”.`
          : `A program has to tell ${withArticle(kind.title)} what to do, and there is no board.`,
        [],
      ),
    ];
  }

  value(): readonly Trouble[] {
    const { kind, value } = this.#statement;
    if (value !== '' || kind.readValue('').ok || this.#recipe.usually) return [];
    const known = kind.usualValues;
    return [
      this.#unfinished(
        `Which ${kind.title}? ${sentence(kind.readValue('')).replace(/^a |^an /i, 'A ')}`,
        known.map((word) => offer(wordsBefore(this.#line, 'kind', word))),
      ),
    ];
  }

  /** Parts without a pin of their own must be told where they go. */
  ends(): readonly Trouble[] {
    const { kind, across, to } = this.#statement;
    if (!this.#recipe.needsBothEnds || across || to) return [];
    const { text } = this.#line;
    if (kind.legs.some(({ role }) => role === 'control'))
      return [
        this.#unfinished('Say for each leg what it is joined to.', [
          offer(`${text.trim()}: base to 9, collector to M1 minus, emitter to ground`),
        ]),
      ];
    return [
      this.#unfinished(`Between what is the ${kind.title}?`, [
        offer(`${text.trim()} across supply`),
        offer(`${text.trim()} from A0 to ground`),
      ]),
    ];
  }

  count(): readonly Trouble[] {
    const { count, kind, pins } = this.#statement;
    const needs = this.#needs();
    if (needs.length === 0) return [];
    const free = freePins(this.#context.board, needs[0]!.does, this.#taken);
    const wanted = count * needs.length;
    if (count > MOST_PARTS || (wanted > free.length && pins.length === 0)) {
      const most = Math.floor(free.length / needs.length);
      const { short } = this.#context.board;
      return [
        this.#stops(
          'count',
          `The ${short} has ${howMany(free.length, 'free pin')} for this; ${howMany(count, kind.title)} ${count === 1 ? 'needs' : 'need'} ${wanted}.`,
          most > 0
            ? [
                offer(recounted(this.#line, most, inOrder(free.slice(0, most * needs.length)))),
                ...this.#instead(wanted),
              ]
            : this.#instead(wanted),
        ),
      ];
    }
    if (pins.length === 0)
      return [
        this.#unfinished(
          needs.length === 1
            ? `On which pin? ${free.slice(0, 4).join(', ')} are free.`
            : `On which ${needs.length} pins? In this order: ${needs.map(({ as }) => as).join(', ')}.`,
          [
            offer(
              wordsBehind(
                this.#line,
                ` on ${pinList(wanted > 2 ? inOrder(free.slice(0, wanted)) : free.slice(0, wanted))}`,
              ),
            ),
          ],
        ),
      ];
    const fewest = this.#recipe.fewest ?? needs.length;
    const fits = count === 1 ? pins.length >= fewest && pins.length <= needs.length : pins.length === wanted;
    if (fits) return [];
    const share = Math.floor(pins.length / needs.length);
    return [
      this.#stops(
        'pins',
        needs.length === 1
          ? `${howMany(count, kind.title)} on ${howMany(pins.length, 'pin')}: each needs one.`
          : `${capital(withArticle(kind.title))} takes ${fewest === needs.length ? '' : `${fewest} to `}${needs.length} pins (${needs.map(({ as }) => as).join(', ')}); there are ${pins.length}.`,
        [
          ...(needs.length === 1 ? [offer(recounted(this.#line, share, pins))] : []),
          ...(free.length >= wanted
            ? [this.#repin([...pins, ...free.filter((pin) => !pins.includes(pin))].slice(0, wanted))]
            : []),
        ],
      ),
    ];
  }

  pins(): readonly Trouble[] {
    const { board } = this.#context;
    const { pins, kind } = this.#statement;
    const needs = this.#needs();
    if (needs.length === 0 || pins.length === 0) return [];
    const twice = pins.find((pin, index) => pins.indexOf(pin) !== index);
    if (twice !== undefined) return [this.#stops('pins', `Pin ${twice} is named twice.`, [])];
    const troubles: Trouble[] = [];
    for (const [index, name] of pins.entries()) {
      const { does } = needs[index % needs.length]!;
      if (isLegPin(name)) {
        troubles.push(...this.#onLeg(name, does));
        continue;
      }
      const pin = findPin(board, name);
      if (!pin) {
        if (this.#recipe.mayHangOnSupply) continue;
        troubles.push(
          this.#stops(
            'pins',
            `${name} is a supply; ${withArticle(kind.title)} needs a pin.`,
            this.#otherPins(name, does),
          ),
        );
      } else if (!pin.functions.includes(does)) {
        const able = board.pins.filter((other) => other.functions.includes(does)).map((other) => other.name);
        troubles.push(
          this.#stops(
            'pins',
            `Pin ${name} cannot ${needWords[does]}. ${able.length === 0 ? `No pin of the ${board.short} can.` : `These can: ${pinList(inOrder(able))}.`}`,
            this.#otherPins(name, does),
          ),
        );
      } else if (this.#taken.has(name))
        troubles.push(
          this.#warns(
            'pins',
            `Pin ${name} is ${this.#taken.get(name)!}’s already; ${kind.stimulus === undefined ? 'both would always do the same' : 'each needs a pin of its own'}.`,
            this.#otherPins(name, does),
          ),
        );
      else if (pin.reserved !== undefined)
        troubles.push(
          this.#warns(
            'pins',
            pin.reserved === 'serial'
              ? `Pin ${name} is better left free: the computer talks to the board on it.`
              : `Pin ${name} is better left free: it decides how the board starts.`,
            this.#otherPins(name, does),
          ),
        );
    }
    return troubles.slice(0, 1);
  }

  /** What a part cannot do on the leg of a chip, which is on or off. */
  #onLeg(name: string, does: PinFunction): readonly Trouble[] {
    const { kind } = this.#statement;
    if (kind.observed === undefined || kind.stimulus !== undefined)
      return [
        this.#stops(
          'pins',
          `${capital(withArticle(kind.title))} needs a pin of the board; ${name} can only switch something.`,
          this.#otherPins(name, does),
        ),
      ];
    if (does !== 'digital')
      return [
        this.#stops('pins', `${name} can’t be dimmed: it is only on or off.`, this.#otherPins(name, does)),
      ];
    if (!this.#taken.has(name)) return [];
    return [
      this.#warns(
        'pins',
        `${name} is ${this.#taken.get(name)!}’s already; both would always do the same.`,
        [],
      ),
    ];
  }

  /** A resistor beside a contact pulls one way or the other, and the line has to say which. */
  pull(): readonly Trouble[] {
    const { resistor, resistorTo, options, kind } = this.#statement;
    const isSaid = resistorTo !== undefined || options.has('pull-up') || options.has('pull-down');
    if (!resistor || isSaid || this.#recipe.isHeld !== true) return [];
    return [
      this.#warns(
        'resistor',
        `Which way does the ${resistor.value} resistor pull the pin while the ${kind.title} rests? As it is, the resistor is left out.`,
        ['pull-down', 'pull-up'].map((pull) => offer(heldBy(this.#line, `${pull} ${resistor.value}`))),
      ),
    ];
  }

  resistor(): readonly Trouble[] {
    const { resistor } = this.#statement;
    const { kit } = this.#context;
    const given = [resistor, isResistor(this.#statement.kind) ? { value: this.#statement.value } : undefined];
    return given.flatMap((one): readonly Trouble[] => {
      const read = one && readOhms(one.value);
      if (!one || !read?.ok || holds(kit, read.value)) return [];
      if (read.value <= 0) return [this.#stops('resistor', 'A resistor is more than 0 Ω.', [])];
      const near = nearestInKit(kit, read.value);
      const slot = one === resistor ? 'resistor' : 'value';
      return [
        this.#warns(
          slot,
          `The kit has no ${ohmsText(read.value)} Ω; nearest are ${near.map((value) => `${value} Ω`).join(' and ')}.`,
          near.map((value) => this.#swap(slot, one.value, value)),
        ),
      ];
    });
  }

  current(): readonly Trouble[] {
    const { currentMa } = this.#statement;
    const { board } = this.#context;
    const { recommendedMa } = board.drive;
    if (currentMa === undefined || currentMa <= recommendedMa || !isBoard(board)) return [];
    return [
      this.#warns('current', `A pin should give no more than ${figure(recommendedMa)} mA.`, [
        this.#exchanged('current', `${figure(recommendedMa)} mA`),
      ]),
    ];
  }

  freedom(): readonly Trouble[] {
    const { freePins: range } = this.#statement;
    if (range === undefined || pinsInRange(this.#context.board, range).length > 0) return [];
    return [this.#stops('pins', `“${range}” names no pin of the ${this.#context.board.short}.`, [])];
  }

  #needs(): readonly { readonly as: string; readonly does: PinFunction }[] {
    return this.#recipe.needs(this.#statement);
  }

  /** Ways to have many LEDs on few pins. */
  #instead(wanted: number): readonly Offer[] {
    const { kind } = this.#statement;
    if (!isSingleLight(kind) || wanted < 16) return [];
    const free = freePins(this.#context.board, 'digital', this.#taken);
    return free.length < 3
      ? []
      : [
          {
            label: `LED matrix on ${free.slice(0, 3).join(', ')}: 64 LEDs on three pins`,
            line: `LED matrix on ${free.slice(0, 3).join(', ')}`,
          },
        ];
  }

  /** The line on pins that can and are free: for parts with several pins all of them at once. */
  #otherPins(name: string, does: PinFunction): readonly Offer[] {
    const needs = this.#needs();
    if (needs.length > 1 && this.#statement.count === 1) {
      const { board } = this.#context;
      const pins: string[] = [];
      for (const [index, need] of needs.entries()) {
        const own = findPin(board, this.#statement.pins[index] ?? '');
        const isRight = own?.functions.includes(need.does) && !this.#taken.has(own.name) && !own.reserved;
        const pin = isRight
          ? own?.name
          : freePins(board, need.does, this.#taken).find(
              (free) => !pins.includes(free) && !this.#statement.pins.includes(free),
            );
        if (pin === undefined) return [];
        pins.push(pin);
      }
      return [this.#repin(pins)];
    }
    return freePins(this.#context.board, does, this.#taken)
      .filter((pin) => !this.#statement.pins.includes(pin))
      .slice(0, 3)
      .map((pin) => this.#swap('pins', name, pin));
  }

  #piece(slot: Slot): Piece | undefined {
    return pieceOf(this.#line, slot);
  }

  /** The line with a word of a piece exchanged. */
  #swap(slot: Slot, word: string, by: string): Offer {
    return offer(withWord(this.#line, slot, word, by));
  }

  #exchanged(slot: Slot, by: string): Offer {
    return offer(exchanged(this.#line.text, this.#at(slot), by));
  }

  #repin(pins: readonly string[]): Offer {
    return offer(withPins(this.#line, pins));
  }

  #at(slot: Slot | undefined): { readonly from: number; readonly to: number } {
    const piece = slot && this.#piece(slot);
    return { from: piece?.from ?? 0, to: piece?.to ?? this.#line.text.length };
  }

  #stops(slot: Slot, message: string, offers: readonly Offer[]): Trouble {
    return { weight: 'stops', message, ...this.#at(slot), offers };
  }

  #warns(slot: Slot, message: string, offers: readonly Offer[]): Trouble {
    return { weight: 'warns', message, ...this.#at(slot), offers };
  }

  #unfinished(message: string, offers: readonly Offer[]): Trouble {
    const { length } = this.#line.text;
    return { weight: 'unfinished', message, from: length, to: length, offers };
  }
}

const sentence = (read: {
  readonly ok: boolean;
  readonly problems?: readonly { readonly message: string }[];
}): string => `${read.problems?.[0]?.message ?? ''}.`;

function offer(line: string): Offer {
  const clean = tidied(line);
  return { label: clean, line: clean };
}
