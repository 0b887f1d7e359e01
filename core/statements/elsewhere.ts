/** Parts that are often looked for and are not among ours, or need no line, with what does instead. */
const ELSEWHERE: readonly (readonly [RegExp, string])[] = [
  [
    /^(?:the )?(?:on-?board|built-? ?in|internal|board['’]?s?(?: own)?|own) (?:led|lamp|light)\b/,
    'The board’s own LED is there without a line. In what must be seen it is “the board’s own LED”.',
  ],
  [
    /^(?:a )?(?:jumper|hook-?up )?(?:wires?|jumpers?)\b/,
    'Wires need no line: they come of what the parts are joined to.',
  ],
  [
    /\bjoysticks?\b/,
    'A joystick is two potentiometers and a push button in one: give each of them a line, such as “potentiometer on A0”.',
  ],
  [
    /\b(?:rotary )?encoders?\b/,
    'There is no rotary encoder here yet. A potentiometer is turned too, and two push buttons count up and down.',
  ],
  [/\bkey ?pads?\b/, 'There is no keypad here yet. Push buttons, each on a pin of its own, do the same.'],
  [/\bsteppers?\b/, 'There is no stepper motor here yet. A servo turns to an angle, a motor turns on.'],
  [/\boleds?\b/, 'There is no graphic display here yet. An LCD or an LED matrix shows text and figures.'],
  [
    /\bh-? ?bridges?\b|\bmotor (?:drivers?|shields?|controllers?)\b/,
    'There is no motor driver here yet. “motor on 9” is switched by a transistor, one way round.',
  ],
  [
    /\b(?:led|light|rgb) ?strips?\b/,
    'There is no LED strip here yet. An RGB LED or an LED matrix stands for one.',
  ],
  [
    /^(?:an? |the )?(?:half |full |mini )?(?:bread ?boards?|protoboards?)\b/,
    'The breadboard is there without a line; its size is chosen beside the drawing.',
  ],
  [
    /\b(?:tilt|vibration|ball) (?:sensors?|switch(?:es)?)\b/,
    'That switch is not here yet. A slide switch stands for it: it is open or closed too.',
  ],
  [
    /\b(?:ir|infra-?red|radio|rf) (?:receivers?|remotes?|sensors?|leds?)\b|\bremote controls?\b/,
    'There is no remote control here yet. Push buttons stand for its keys.',
  ],
  [
    /\b(?:addressable|smart|digital|pixel) (?:leds?|rgb)\b|\b(?:led )?pixels?\b/,
    'There are no LEDs with a chip of their own here yet. An RGB LED or an LED matrix stands for them.',
  ],
  [
    /\b(?:real[- ]?time )?clock modules?\b|\breal[- ]?time clocks?\b|\brtc\b/,
    'There is no clock here yet. The program counts the time itself, with the clock of the board.',
  ],
  [
    /\b(?:sd|memory) cards?\b/,
    'There is no memory card here yet. What the program finds out can be printed on the serial line.',
  ],
  [
    /\b(?:bluetooth|wi-?fi|radio|lora|gps) (?:modules?|receivers?)\b|\bbluetooth\b|\bgps\b/,
    'There is no radio here yet. What is sent and received can be typed and printed on the serial line.',
  ],
  [/\bmos-?fets?\b/, 'There is no MOSFET here yet. “motor on 9” is switched by a transistor instead.'],
  [
    /\b(?:light |filament )?bulbs?\b/,
    'There is no bulb here: it takes more current than a pin gives. An LED with its resistor does instead.',
  ],
  [
    /\b(?:bi-?colou?r|two-?colou?r|dual) leds?\b/,
    'There is no two-colour LED here yet. Two LEDs, or an RGB LED, stand for it.',
  ],
  [/\blasers?\b/, 'There is no laser here. An LED is switched in the same way, and is safe to look at.'],
  [
    /\bsolenoids?\b|\belectro-?magnets?\b/,
    'There is no solenoid here yet. A motor or a relay is switched in the same way.',
  ],
  [
    /\b(?:water sensors?|rain sensors?|water level sensors?|touch sensors?|pressure sensors?|weight sensors?|load cells?|colou?r sensors?|microphones?|sound sensors?|humidity sensors?|gas sensors?|flame sensors?|smoke sensors?|heart(?:beat| rate) sensors?|moisture sensors?|accelerometers?|gyroscopes?|hall sensors?|line sensors?)\b/,
    'That sensor is not here yet. What it reads can be stood for: a potentiometer for a number, a slide switch for yes or no.',
  ],
];

/**
 * What a line about a part that is not here is told; `undefined` where it names none that we know of before column `own`,
 * at which it names one of ours: what that one is for may be anything.
 */
export function namedElsewhere(line: string, own: number): string | undefined {
  const plain = line.toLowerCase();
  return ELSEWHERE.find(([pattern]) => {
    const at = pattern.exec(plain)?.index;
    return at !== undefined && at <= own;
  })?.[1];
}
