import type { OwnSlips } from './own-slips';

export const chime: OwnSlips = {
  said: {
    id: 'chime',
    board: 'learner-5v',
    lines: ['piezo on 8', 'button on 3, pull-down'],
    program: `const int PIEZO = 8;
const int BUTTON = 3;
int notes[] = {523, 659, 784};

void setup() {
  pinMode(BUTTON, INPUT);
}

void loop() {
  if (digitalRead(BUTTON) == HIGH) {
    for (int i = 0; i < 3; i++) {
      tone(PIEZO, notes[i]);
      delay(300);
      noTone(PIEZO);
      delay(100);
    }
    while (digitalRead(BUTTON) == HIGH) {
    }
  }
}
`,
    scenarios: [
      { name: 'silence', lasts: 2, done: [], seen: ['Z1 is silent'] },
      {
        name: 'rung',
        lasts: 5,
        done: ['press S1 at 1 s'],
        seen: [
          'Z1 plays 523 Hz from 1.1 s to 1.25 s',
          'Z1 plays 659 Hz from 1.5 s to 1.65 s',
          'Z1 plays 784 Hz from 1.9 s to 2.05 s',
          'Z1 is silent from 2.3 s',
        ],
      },
    ],
  },
  own: `#define SPEAKER 8
#define BELL 3

int melody[3] = {523, 659, 784};
int length = 300;
bool rung = false;

void play(int note) {
  tone(SPEAKER, note, length);
  delay(length + 100);
}

void setup() {
  pinMode(BELL, INPUT);
  pinMode(SPEAKER, OUTPUT);
}

void loop() {
  if (digitalRead(BELL) && !rung) {
    rung = true;
    for (int n = 0; n < 3; n++) {
      play(melody[n]);
    }
  }
  if (!digitalRead(BELL)) {
    rung = false;
  }
}
`,
  slips: [
    ['n<2', 'tone-off', 'Write 3 instead of 2 in line 21.', ['n < 3', 'n < 2']],
    ['n<=3', 'runtime-error', 'Write < instead of <= in line 21.', ['n < 3', 'n <= 3']],
    ['n', 'tone-off', 'Write melody[n] instead of n in line 22.', ['play(melody[n])', 'play(n)']],
    [
      'melody',
      'arguments',
      'Write melody[n] instead of melody in line 22.',
      ['play(melody[n])', 'play(melody)'],
    ],
    ['no wait', 'tone-off', 'Add delay(400); after line 9.', ['  delay(length + 100);\n', '']],
    [
      'no length',
      'timing-off',
      'Add noTone(SPEAKER); after line 10.',
      ['tone(SPEAKER, note, length)', 'tone(SPEAKER, note)'],
    ],
    [
      'swapped args',
      'arguments',
      'Exchange note and SPEAKER in line 9.',
      ['tone(SPEAKER, note, length)', 'tone(note, SPEAKER, length)'],
    ],
    ['wrong note', 'tone-off', 'Write 659 instead of 569 in line 4.', ['659', '569']],
    [
      'order',
      'tone-off',
      'Reverse the list in line 4: 523, 659, 784.',
      ['{523, 659, 784}', '{784, 659, 523}'],
    ],
    [
      'LOW',
      'logic-inverted',
      'Remove the ! before digitalRead(BELL) in line 19.',
      ['if (digitalRead(BELL) && !rung)', 'if (!digitalRead(BELL) && !rung)'],
    ],
    ['length 3', 'tone-off', 'Write 300 instead of 3 in line 5.', ['length = 300', 'length = 3']],
    ['n--', 'runtime-error', 'Write ++ instead of -- in line 21.', ['n++', 'n--']],
    [
      'n missing step',
      'timing-off',
      'Add n++ at the end of the head of the loop in line 21.',
      ['n < 3; n++', 'n < 3;'],
    ],
    ['pin 9', 'pin-disagrees', 'Write 8 instead of 9 in line 1.', ['SPEAKER 8', 'SPEAKER 9']],
    [
      'define with =',
      'syntax-other',
      'Remove the = in line 1.',
      ['#define SPEAKER 8', '#define SPEAKER = 8'],
    ],
    [
      'define with ;',
      'syntax-semicolon',
      'Remove the semicolon in line 2.',
      ['#define BELL 3', '#define BELL 3;'],
    ],
    [
      'brackets',
      'syntax-other',
      'Write {523, 659, 784} instead of (523, 659, 784) in line 4.',
      ['{523, 659, 784}', '(523, 659, 784)'],
    ],
    ['list size', 'syntax-other', 'Write 3 instead of 2 in line 4.', ['melody[3] =', 'melody[2] =']],
    [
      'quotes',
      'arguments',
      'Write BELL instead of "BELL" in line 19.',
      ['digitalRead(BELL) && !rung', 'digitalRead("BELL") && !rung'],
    ],
    [
      'play not called with ()',
      'arguments',
      'Write play(melody[n]) instead of play in line 22.',
      ['      play(melody[n]);', '      play;'],
    ],
    [
      'return early',
      'tone-off',
      'Remove return; from line 21.',
      ['    rung = true;\n', '    rung = true;\n    return;\n'],
    ],
    [
      'break',
      'tone-off',
      'Remove break; from line 23.',
      ['      play(melody[n]);\n', '      play(melody[n]);\n      break;\n'],
    ],
    ['melody index 0', 'tone-off', 'Write n instead of 0 in line 22.', ['melody[n]', 'melody[0]']],
  ],
};
