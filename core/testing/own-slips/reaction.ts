import type { OwnSlips } from './own-slips';

export const reaction: OwnSlips = {
  said: {
    id: 'reaction',
    board: 'learner-5v',
    lines: [
      'button on 2, pull-up',
      'button on 3, pull-up',
      'green LED on 8',
      'red LED on 9',
      'passive buzzer on 11',
    ],
    program: `int wins = 0;
void setup() {
  pinMode(2, INPUT_PULLUP); pinMode(3, INPUT_PULLUP);
  pinMode(8, OUTPUT); pinMode(9, OUTPUT); pinMode(11, OUTPUT);
}
void loop() {
  if (digitalRead(2) == LOW) { digitalWrite(8, HIGH); tone(11, 880, 200); delay(1000); digitalWrite(8, LOW); }
  else if (digitalRead(3) == LOW) { digitalWrite(9, HIGH); tone(11, 440, 200); delay(1000); digitalWrite(9, LOW); }
  delay(5);
}
`,
    scenarios: [
      { name: 'nobody', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off', 'Z1 is silent'] },
      {
        name: 'first',
        lasts: 4,
        done: ['press S1 at 1 s', 'press S2 at 1.5 s'],
        seen: [
          'D1 is on from 1.1 s to 1.9 s',
          'D2 is off',
          'Z1 plays 880 Hz from 1.05 s to 1.15 s',
          'D1 is off from 2.3 s',
          'Z1 is silent from 1.4 s',
        ],
      },
      {
        name: 'second',
        lasts: 4,
        done: ['press S2 at 1 s'],
        seen: [
          'D2 is on from 1.1 s to 1.9 s',
          'D1 is off',
          'Z1 plays 440 Hz from 1.05 s to 1.15 s',
          'D2 is off from 2.3 s',
        ],
      },
    ],
  },
  own: `struct Player {
  int button;
  int led;
  int pitch;
};

Player players[2] = {
  {2, 8, 880},
  {3, 9, 440}
};
const int BUZZER = 11;
const int SHOW_TIME = 1000;

int whoPressed() {
  for (int i = 0; i < 2; i++) {
    if (digitalRead(players[i].button) == LOW) {
      return i;
    }
  }
  return -1;
}

void celebrate(Player p) {
  digitalWrite(p.led, HIGH);
  tone(BUZZER, p.pitch);
  delay(200);
  noTone(BUZZER);
  delay(SHOW_TIME - 200);
  digitalWrite(p.led, LOW);
}

void setup() {
  for (int i = 0; i < 2; i++) {
    pinMode(players[i].button, INPUT_PULLUP);
    pinMode(players[i].led, OUTPUT);
  }
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  int winner = whoPressed();
  if (winner >= 0) {
    celebrate(players[winner]);
  }
  delay(10);
}
`,
  slips: [
    ['winner > 0', 'not-lit', 'Write >= instead of > in line 42.', ['winner >= 0', 'winner > 0']],
    ['return 1', 'not-dark', 'Write -1 instead of 1 in line 20.', ['return -1', 'return 1']],
    ['return 0 end', 'not-dark', 'Write -1 instead of 0 in line 20.', ['return -1', 'return 0']],
    ['no return -1', 'not-dark', 'Add return -1; after line 19.', ['  return -1;\n', '']],
    [
      'return in loop',
      'not-lit',
      'Move line 19 behind line 20.',
      ['      return i;\n    }\n  }\n  return -1;', '      return i;\n    }\n    return -1;\n  }'],
    ],
    ['= LOW', 'assign-in-condition', 'Write == instead of = in line 16.', ['== LOW', '= LOW']],
    [
      'i <= 2',
      'runtime-error',
      'Write < instead of <= in line 15.',
      ['i < 2; i++) {\n    if', 'i <= 2; i++) {\n    if'],
    ],
    [
      'players.button',
      'syntax-other',
      'Write players[i] instead of players in line 16.',
      ['digitalRead(players[i].button)', 'digitalRead(players.button)'],
    ],
    [
      'digitalRead(i)',
      'not-lit',
      'Write players[i].button instead of i in line 16.',
      ['digitalRead(players[i].button)', 'digitalRead(i)'],
    ],
    [
      'players[1]',
      'not-lit',
      'Write winner instead of 1 in line 43.',
      ['celebrate(players[winner])', 'celebrate(players[1])'],
    ],
    [
      'celebrate(winner)',
      'arguments',
      'Write players[winner] instead of winner in line 43.',
      ['celebrate(players[winner])', 'celebrate(winner)'],
    ],
    [
      'p.button in write',
      'not-lit',
      'Write led instead of button in line 24.',
      ['digitalWrite(p.led, HIGH)', 'digitalWrite(p.button, HIGH)'],
    ],
    [
      'led LOW missing',
      'not-dark',
      'Add digitalWrite(p.led, LOW); after line 28.',
      ['  digitalWrite(p.led, LOW);\n', ''],
    ],
    ['noTone missing', 'timing-off', 'Add noTone(BUZZER); after line 26.', ['  noTone(BUZZER);\n', '']],
    [
      'noTone before delay',
      'tone-off',
      'Move line 27 before line 26.',
      ['  delay(200);\n  noTone(BUZZER);\n', '  noTone(BUZZER);\n  delay(200);\n'],
    ],
    [
      'pitch exchanged',
      'tone-off',
      'Exchange 440 in line 8 and 880 in line 9.',
      ['8, 880', '8, 440'],
      ['9, 440', '9, 880'],
    ],
    [
      'led exchanged',
      'not-lit',
      'Exchange 9 in line 8 and 8 in line 9.',
      ['{2, 8, 880}', '{2, 9, 880}'],
      ['{3, 9, 440}', '{3, 8, 440}'],
    ],
    [
      'row order',
      'not-lit',
      'Exchange the first and the second value in each row of the list in line 7.',
      ['{2, 8, 880}', '{8, 2, 880}'],
      ['{3, 9, 440}', '{9, 3, 440}'],
    ],
    [
      'SHOW 100',
      'negative-pause',
      'Write 1000 instead of 100 in line 12.',
      ['SHOW_TIME = 1000', 'SHOW_TIME = 100'],
    ],
    [
      'SHOW 10000',
      'not-dark',
      'Write 1000 instead of 10000 in line 12.',
      ['SHOW_TIME = 1000', 'SHOW_TIME = 10000'],
    ],
    [
      'setup i < 1',
      'direction-unset',
      'Write 2 instead of 1 in line 33.',
      ['i < 2; i++) {\n    pinMode', 'i < 1; i++) {\n    pinMode'],
    ],
    ['INPUT', 'pullup-unset', 'Write INPUT_PULLUP instead of INPUT in line 34.', ['INPUT_PULLUP', 'INPUT']],
    [
      'no pinMode led',
      'direction-unset',
      'Add pinMode(8, OUTPUT); to setup.',
      ['    pinMode(players[i].led, OUTPUT);\n', ''],
    ],
    ['BUZZER 10', 'pin-disagrees', 'Write 11 instead of 10 in line 11.', ['BUZZER = 11', 'BUZZER = 10']],
    [
      'struct semicolon',
      'syntax-semicolon',
      'Add ; behind “}” in line 5.',
      ['  int pitch;\n};', '  int pitch;\n}'],
    ],
    [
      'comma between rows',
      'syntax-other',
      'Write }, instead of } in line 8.',
      ['{2, 8, 880},', '{2, 8, 880}'],
    ],
    [
      'whoPressed no ()',
      'arguments',
      'Write whoPressed() instead of whoPressed in line 41.',
      ['= whoPressed();', '= whoPressed;'],
    ],
    [
      'winner global not',
      'missed-input',
      'Add winner = whoPressed(); after line 41.',
      ['  int winner = whoPressed();\n', ''],
      ['void loop() {', 'int winner = whoPressed();\nvoid loop() {'],
    ],
    [
      'delay(200) twice long',
      'timing-off',
      'Write 200 instead of 2000 in line 26.',
      ['  delay(200);\n', '  delay(2000);\n'],
    ],
  ],
};
