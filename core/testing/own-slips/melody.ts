import type { OwnSlips } from './own-slips';

export const melody: OwnSlips = {
  said: {
    id: 'melody',
    board: 'learner-5v',
    lines: ['button on 2, pull-up', 'passive buzzer on 8', 'green LED on 12 with 330'],
    program: `const int BUTTON = 2;
const int BUZZER = 8;
const int LED = 12;
const int notes[] = {262, 330, 392};

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(LED, OUTPUT);
}

void loop() {
  if (digitalRead(BUTTON) == LOW) {
    digitalWrite(LED, HIGH);
    for (int i = 0; i < 3; i++) {
      tone(BUZZER, notes[i]);
      delay(500);
    }
    noTone(BUZZER);
    digitalWrite(LED, LOW);
  }
}
`,
    scenarios: [
      { name: 'quiet', lasts: 2, done: [], seen: ['D1 is off', 'Z1 is silent'] },
      {
        name: 'one press',
        lasts: 4,
        done: ['press S1 at 0.5 s'],
        seen: [
          'Z1 plays 262 Hz from 0.6 s to 0.9 s',
          'Z1 plays 330 Hz from 1.1 s to 1.4 s',
          'Z1 plays 392 Hz from 1.6 s to 1.9 s',
          'Z1 is silent from 2.2 s',
          'D1 is on from 0.6 s to 1.9 s',
          'D1 is off from 2.2 s',
        ],
      },
    ],
  },
  own: `#define NOTE_C 262
#define NOTE_E 330
#define NOTE_G 392

struct Note {
  int pitch;
  int length;
};

const int buttonPin = 2;
const int speaker = 8;
const int lamp = 12;

Note song[] = {
  {NOTE_C, 500},
  {NOTE_E, 500},
  {NOTE_G, 500},
};
const int count = sizeof(song) / sizeof(song[0]);

int current = -1;
unsigned long started = 0;

void play(int index) {
  current = index;
  started = millis();
  tone(speaker, song[index].pitch);
  digitalWrite(lamp, HIGH);
}

void stopSong() {
  current = -1;
  noTone(speaker);
  digitalWrite(lamp, LOW);
}

void setup() {
  pinMode(buttonPin, INPUT_PULLUP);
  pinMode(lamp, OUTPUT);
}

void loop() {
  bool pressed = digitalRead(buttonPin) == LOW;
  if (current < 0) {
    if (pressed) {
      play(0);
    }
    return;
  }
  if (millis() - started >= song[current].length) {
    if (current + 1 < count) {
      play(current + 1);
    } else {
      stopSong();
    }
  }
}
`,
  slips: [
    [
      'play(current)',
      'not-dark',
      'Write current + 1 instead of current in line 52.',
      ['play(current + 1)', 'play(current)'],
    ],
    ['play(1)', 'timing-off', 'Write 0 instead of 1 in line 46.', ['play(0)', 'play(1)']],
    ['no current in play', 'not-dark', 'Add current = index; after line 24.', ['  current = index;\n', '']],
    [
      'no lamp low',
      'not-dark',
      'Add digitalWrite(lamp, LOW); after line 33.',
      ['  digitalWrite(lamp, LOW);\n', ''],
    ],
    [
      'lamp low in play',
      'not-lit',
      'Write HIGH instead of LOW in line 28.',
      ['digitalWrite(lamp, HIGH)', 'digitalWrite(lamp, LOW)'],
    ],
    [
      'no lamp high',
      'not-lit',
      'Add digitalWrite(lamp, HIGH); after line 27.',
      ['  digitalWrite(lamp, HIGH);\n', ''],
    ],
    [
      'tone swapped',
      'arguments',
      'Exchange song[index].pitch and speaker in line 27.',
      ['tone(speaker, song[index].pitch)', 'tone(song[index].pitch, speaker)'],
    ],
    [
      'tone length',
      'tone-off',
      'Write pitch instead of length in line 27.',
      ['song[index].pitch', 'song[index].length'],
    ],
    [
      'tone index',
      'tone-off',
      'Write song[index].pitch instead of index in line 27.',
      ['song[index].pitch', 'index'],
    ],
    [
      'tone current before',
      'tone-off',
      'Write current instead of 0 in line 27.',
      ['song[index].pitch', 'song[0].pitch'],
    ],
    ['<', 'logic-inverted', 'Write > instead of < in line 50.', ['>= song[current]', '< song[current]']],
    [
      'pitch as wait',
      'timing-off',
      'Write length instead of pitch in line 50.',
      ['song[current].length', 'song[current].pitch'],
    ],
    ['no return', 'runtime-error', 'Write else if instead of if in line 49.', ['    return;\n', '']],
    ['current <= 0', 'not-dark', 'Write < instead of <= in line 44.', ['current < 0', 'current <= 0']],
    ['current > 0', 'runtime-error', 'Write < instead of > in line 44.', ['current < 0', 'current > 0']],
    ['INPUT', 'pullup-unset', 'Write INPUT_PULLUP instead of INPUT in line 38.', ['INPUT_PULLUP', 'INPUT']],
    ['speaker 9', 'pin-disagrees', 'Write 8 instead of 9 in line 11.', ['speaker = 8', 'speaker = 9']],
    [
      'no pinMode lamp',
      'direction-unset',
      'Add pinMode(lamp, OUTPUT); to setup.',
      ['  pinMode(lamp, OUTPUT);\n', ''],
    ],
    [
      'millis + started',
      'timing-off',
      'Write - instead of + in line 50.',
      ['millis() - started', 'millis() + started'],
    ],
    [
      'micros',
      'timing-off',
      'Write millis instead of micros in line 50.',
      ['millis() - started', 'micros() - started'],
    ],
    [
      'started - millis',
      'timing-off',
      'Write millis() - started instead of started - millis() in line 50.',
      ['millis() - started', 'started - millis()'],
    ],
    [
      'stopSong without parens',
      'arguments',
      'Write stopSong() instead of stopSong in line 54.',
      ['stopSong();\n    }', 'stopSong;\n    }'],
    ],
    ['play no arg', 'arguments', 'Write play(0) instead of play() in line 46.', ['play(0)', 'play()']],
    ['byte pitch', 'tone-off', 'Write int instead of byte in line 6.', ['int pitch', 'byte pitch']],
    [
      'semicolon after if',
      'empty-body',
      'Remove the semicolon in line 51.',
      ['if (current + 1 < count) {', 'if (current + 1 < count); {'],
    ],
    [
      'define with semicolon',
      'syntax-semicolon',
      'Remove the semicolon in line 2.',
      ['NOTE_E 330', 'NOTE_E 330;'],
    ],
    ['define with =', 'syntax-other', 'Remove the = in line 2.', ['NOTE_E 330', 'NOTE_E = 330']],
  ],
};
