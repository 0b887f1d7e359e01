import type { BoardProfile } from '../boards';
import type { Language } from '../program';
import { capital, listText } from '../words/words';

/** Kinds of computer on which a board is made ready. */
export const systems = ['desktop', 'school-laptop', 'tablet'] as const;
export type System = (typeof systems)[number];

export const systemTitles: Readonly<Record<System, string>> = {
  desktop: 'a computer of our own',
  'school-laptop': 'a school laptop',
  tablet: 'a tablet',
};

/** What is to be done in a step, by its name. */
export const bringUpIds = [
  'bare',
  'plug',
  'driver',
  'package',
  'libraries',
  'board',
  'port',
  'network',
  'upload',
  'blink',
] as const;
export type BringUpId = (typeof bringUpIds)[number];

/** What each step is called where all of them stand beside each other. */
export const bringUpTitles: Readonly<Record<BringUpId, string>> = {
  bare: 'The board alone',
  plug: 'Plug it in',
  driver: 'The driver',
  package: 'What the computer needs once',
  libraries: 'Libraries',
  board: 'The right board',
  port: 'Find its port',
  network: 'The network',
  upload: 'Load the first program',
  blink: 'It blinks',
};

/** One step on the way from a board in its bag to one that blinks. */
export interface BringUpStep {
  readonly id: BringUpId;
  readonly title: string;
  readonly does: readonly string[];
  /** What should be seen then. */
  readonly sees: string;
  /** What to do when it is not so. */
  readonly otherwise: readonly string[];
  /** Messages that mean no harm. */
  readonly harmless: readonly string[];
  /** A program to be put on the board. */
  readonly program?: string;
}

/** What is so in one class room, told to all who get a board ready there; empty where nobody has said it. */
export interface RoomForBoards {
  /** Where the list of what the computer needs for its boards comes from. */
  readonly packagesFrom: string;
  readonly network: string;
  readonly password: string;
}

export const NO_ROOM: RoomForBoards = { packagesFrom: '', network: '', password: '' };

/**
 * How a board is made ready on a computer of a kind, one step at a time, before anything is wired: from the board's
 * profile. It ends with the board's own LED blinking.
 */
export function bringUpSteps(
  board: BoardProfile,
  system: System,
  language: Language = board.language.default,
  room: RoomForBoards = NO_ROOM,
): readonly BringUpStep[] {
  const { packages, libraries, upload, waits, harmlessMessages, bySystem } = board.bringUp;
  const driver = bySystem.find((one) => one.system === system)?.driver;
  const isDrive = language === 'python';
  const waitText = waits.map(({ what, seconds }) => `${capital(what)}: about ${seconds} s.`);
  const [own] = board.onBoard;
  const step = (
    id: BringUpId,
    does: readonly string[],
    sees: string,
    otherwise: readonly string[],
    more: Partial<BringUpStep> = {},
  ): BringUpStep => ({ id, title: bringUpTitles[id], does, sees, otherwise, harmless: [], ...more });
  return [
    step(
      'bare',
      ['Take every wire and every part off the board.', 'Lay it on paper or wood, not on metal.'],
      'Nothing is plugged into the board.',
      ['If a build is on it that you want to keep, note its ends first, or borrow another board.'],
    ),
    step(
      'plug',
      ['Join board and computer with the cable.'],
      lightOf(board) ?? 'The computer makes its sound for something new.',
      [
        'Try another cable: some only charge.',
        'Try another socket of the computer.',
        'Still nothing? Show the board to your instructor.',
      ],
    ),
    ...(driver === undefined
      ? []
      : [
          step(
            'driver',
            [driver],
            isDrive ? 'The board shows as a drive.' : 'The board shows in the list of ports.',
            [
              'Unplug the board, wait ten seconds, plug it in again.',
              'A school laptop may ask for the administrator: call your instructor.',
            ],
          ),
        ]),
    ...(packages.length === 0
      ? []
      : [
          step(
            'package',
            [
              `Look whether it is there: ${listText([...packages])}. If it is not, add it.`,
              ...(room.packagesFrom === ''
                ? []
                : [`The address of the list, letter by letter: ${room.packagesFrom}`]),
            ],
            'It is in the list of what is installed.',
            ['The list needs a network. Without one, ask your instructor for the file.'],
          ),
        ]),
    ...(libraries.length === 0
      ? []
      : [
          step(
            'libraries',
            [`Put in place: ${listText([...libraries])}.`],
            'They are in the list of libraries.',
            ['A library in the wrong folder is not found: look where the others are.'],
          ),
        ]),
    ...(isDrive
      ? []
      : [
          step(
            'board',
            [`Choose this board in the list: ${board.title}.`],
            'Its name stands where the chosen board is shown.',
            ['It is not in the list? Then what the computer needs is not there yet: go one step back.'],
          ),
          step(
            'port',
            [
              'Open the list of ports and read it.',
              'Unplug the board: one port goes away. That one is yours.',
              'Plug it in again and choose that port.',
            ],
            'The port is back, and chosen.',
            [
              'No port goes away? The cable only charges, or the driver is missing.',
              'Two go away? Choose the one that comes back last.',
            ],
          ),
        ]),
    ...(board.network === true ? [networkStep(step, room)] : []),
    step(
      'upload',
      [
        isDrive ? `Copy this program. ${upload}` : `Copy this program into the window. ${upload}`,
        ...waitText,
      ],
      loadedSigns(board) ?? 'A message says that it is done.',
      ['A red text? Paste it below, and see what it means.'],
      { harmless: harmlessMessages, program: blinkProgram(board, language) },
    ),
    ...(own
      ? [
          step(
            'blink',
            [`Look at the ${own.label}${whereIs(board, own.label)}.`],
            'It is on for half a second and off for half a second, over and over. Your board is ready.',
            [
              'It blinks otherwise? Then an older program runs: load this one again.',
              'It stays dark? Press the reset button once, and look again.',
            ],
          ),
        ]
      : []),
  ];
}

/** Makes a step under the name that it has. */
type StepMaker = (
  id: BringUpId,
  does: readonly string[],
  sees: string,
  otherwise: readonly string[],
) => BringUpStep;

const networkStep = (step: StepMaker, { network, password }: RoomForBoards): BringUpStep =>
  step(
    'network',
    network === ''
      ? ['Ask for the name and the password of the network that boards use here, and write both down.']
      : [
          `The network for boards is called: ${network}`,
          password === '' ? 'It has no password.' : `Its password is: ${password}`,
          'Write both into a program exactly so: capitals and spaces count.',
        ],
    'Another device in the room shows this network in its list.',
    [
      'Most boards hear networks at 2.4 GHz only: ask for one of those.',
      'It is not in the list? Then no board finds it either: tell your instructor.',
      'Never hand in a program with the password in it: put “secret” in its place first.',
    ],
  );

const whereIs = ({ landmarks }: BoardProfile, name: string): string => {
  const where = landmarks.find((landmark) => landmark.name === name)?.where;
  return where === undefined ? '' : `, ${where}`;
};

/** What is seen when the board gets its power. */
function lightOf({ landmarks }: BoardProfile): string | undefined {
  const light = landmarks.find(({ kind, name }) => kind === 'lamp' && /power/.test(name));
  return light && `The ${light.name} ${light.where} is lit.`;
}

function loadedSigns({ landmarks }: BoardProfile): string | undefined {
  const lights = landmarks.find(({ patterns }) => patterns.some(({ means }) => /being loaded/.test(means)));
  const pattern = lights?.patterns.find(({ means }) => /being loaded/.test(means));
  return lights && pattern && `The ${lights.name}: ${pattern.shows}. Then a message says that it is done.`;
}

/** A program that blinks the board's own LED, in one of its languages; the shortest there is. */
export function blinkProgram(board: BoardProfile, language: Language): string {
  const pin = board.onBoard[0]?.pin;
  const known = board.pins.find(({ name }) => name === pin);
  if (!known) return '';
  if (language === 'python') {
    const name = /^\d/.test(known.name) ? `D${known.name}` : known.name;
    return `import board
import digitalio
import time

led = digitalio.DigitalInOut(board.${name})
led.direction = digitalio.Direction.OUTPUT

while True:
    led.value = True
    time.sleep(0.5)
    led.value = False
    time.sleep(0.5)
`;
  }
  const name = 'LED_BUILTIN' in board.names ? 'LED_BUILTIN' : String(known.number);
  return `void setup() {
  pinMode(${name}, OUTPUT);
}

void loop() {
  digitalWrite(${name}, HIGH);
  delay(500);
  digitalWrite(${name}, LOW);
  delay(500);
}
`;
}

/** What a message of an upload means, and what to do. */
export interface MessageMeaning {
  readonly means: string;
  readonly does: string;
  /** The step to go back to; none for a message that means no harm. */
  readonly step?: BringUpId;
}

/** Signs of what has gone wrong, as the usual programs say it; the first that fits counts. */
const signs: readonly (readonly [sign: RegExp, meaning: MessageMeaning])[] = [
  [
    /no such file.*\.h|fatal error:.*\.h|library.*(?:not found|missing)|no module named/i,
    {
      means: 'The program asks for a library that is not there.',
      does: 'Put the library in place, or check how its name is written.',
      step: 'libraries',
    },
  ],
  [
    /access(?: is)? denied|permission denied|resource busy|port.*(?:busy|in use)|already open/i,
    {
      means: 'Something else holds the port, or you may not use it.',
      does: 'Close every window that shows text from the board, unplug the board, plug it in and try again.',
      step: 'port',
    },
  ],
  [
    /(?:can'?t|cannot|could not|unable to|failed to) (?:open|find|access).*(?:port|device|tty|com\d)|no such (?:file|device)|(?:port|device).*(?:not found|does not exist)|no device|port.*(?:missing|not selected|no port)/i,
    {
      means: 'The chosen port is not there.',
      does: 'Find the port by unplugging the board, and choose it.',
      step: 'port',
    },
  ],
  [
    /not in sync|not responding|no response|timed? ?out|sync(?:hroni[sz]e)?.*fail|failed to connect|protocol error|programmer is not/i,
    {
      means: 'The computer speaks to the port, and the board doesn’t answer.',
      does: 'Is it the right board in the list, and is nothing in pins 0 and 1? Press reset just before the upload.',
      step: 'board',
    },
  ],
  [
    /wrong (?:board|microcontroller|chip)|signature|(?:board|chip).*(?:mismatch|not match|unknown)|unexpected (?:device|chip)/i,
    {
      means: 'Another board is chosen than the one that is plugged in.',
      does: 'Choose this board in the list.',
      step: 'board',
    },
  ],
  [
    /platform.*not (?:installed|found)|core.*not installed|unknown package|board.*not installed/i,
    {
      means: 'What the computer needs for this board is not installed.',
      does: 'Add it, and choose the board again.',
      step: 'package',
    },
  ],
  [
    /not enough (?:memory|space)|too (?:big|large)|exceeds|no space left/i,
    {
      means: 'The program is too big for the board.',
      does: 'Load the short program of this step first; for your own, ask what can be left out.',
      step: 'upload',
    },
  ],
  [
    /read-only|write.?protected/i,
    {
      means: 'The board’s drive can’t be written to.',
      does: 'Unplug the board, plug it in again, and close the window that shows its text.',
      step: 'driver',
    },
  ],
  [
    /error:|expected .*(?:before|at)|not declared|syntaxerror|nameerror|indentationerror/i,
    {
      means: 'The program itself has a mistake, so nothing was loaded.',
      does: 'Copy the program of this step once more, whole, and load it.',
      step: 'upload',
    },
  ],
];

/** What a text that came with an upload means on a board; `undefined` for one that nothing is known of. */
export function messageMeaning(text: string, board: BoardProfile): MessageMeaning | undefined {
  const flat = text.toLowerCase().replace(/\s+/g, ' ');
  const found = signs.find(([sign]) => sign.test(text))?.[1];
  if (found) return found;
  const harmless = board.bringUp.harmlessMessages.find((message) => flat.includes(message.toLowerCase()));
  return harmless === undefined
    ? undefined
    : { means: 'This means no harm.', does: 'Go on; nothing has to be done.' };
}
