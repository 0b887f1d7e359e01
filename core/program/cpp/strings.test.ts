import { describe, expect, test } from 'vitest';
import { printedBy, runOn } from '../../testing/bench';

/** What `println` shows of an expression after some statements. */
const shown = (expression: string, before = ''): string =>
  printedBy(
    runOn({
      source: `void setup() { Serial.begin(115200); ${before} Serial.println(${expression}); } void loop() { }`,
    }),
  ).replace(/\r\n$/, '');

describe('a text that can grow', () => {
  test.each([
    ['String("tide") + " " + 5', '', 'tide 5'],
    ['"a" + String(1.5)', '', 'a1.50'],
    ['String(255, HEX)', '', 'FF'],
    ['String(3.14159, 3)', '', '3.142'],
    ['s', 'String s = "flood"; s += \'!\'; s += 12; s.concat("x");', 'flood!12x'],
    ['s.length()', 'String s("harbour");', '7'],
    ['s[1]', 'String s = "lock";', 'o'],
    ['s.charAt(9) == 0', 'String s = "lock";', '1'],
    ['s == "on"', 'String s = "o"; s += "n";', '1'],
    ['s != "on"', 'String s = "on";', '0'],
    ['String("buoy") < String("cone")', '', '1'],
    ['s.indexOf("b")', 'String s = "harbour";', '3'],
    ["s.indexOf('r')", 'String s = "harbour";', '2'],
    ["s.indexOf('z')", 'String s = "harbour";', '-1'],
    ["s.lastIndexOf('r')", 'String s = "harbour";', '6'],
    ['s.substring(2, 4)', 'String s = "harbour";', 'rb'],
    ['s.substring(4)', 'String s = "harbour";', 'our'],
    ['s.toInt() + 1', 'String s = "41 boats";', '42'],
    ['s.toFloat() * 2', 'String s = "1.25";', '2.50'],
    ['s', 'String s = "  lamp "; s.trim(); s.toUpperCase();', 'LAMP'],
    ['s', 'String s = "ebb ebb"; s.replace("ebb", "flow");', 'flow flow'],
    ['s', 'String s = "harbour"; s.remove(3);', 'har'],
    ['s', 'String s = "harbour"; s.setCharAt(0, \'H\');', 'Harbour'],
    ['s.startsWith("har") && s.endsWith("bour")', 'String s = "harbour";', '1'],
    ['names[1]', 'String names[] = {"red", "green"};', 'green'],
  ])('%s after “%s” is “%s”', (expression, before, wanted) => {
    expect(shown(expression, before)).toBe(wanted);
  });

  test('is handed to functions and given back by them', () => {
    const source = `String twice(String text) { return text + text; }
void say(const String &text) { Serial.print(text); }
void setup() { Serial.begin(9600); say(twice("ahoy ")); } void loop() { }`;
    expect(printedBy(runOn({ source }))).toBe('ahoy ahoy ');
  });

  test('that outgrows the memory of the board is empty, and the run says so', () => {
    const source = `String s = "x"; void setup() { Serial.begin(9600); for (int i = 0; i < 12; i++) s += s; Serial.print(s.length()); } void loop() { }`;
    const trace = runOn({ source });
    expect(printedBy(trace)).toBe('0');
    expect(trace.silentErrors).toMatchObject([{ kind: 'text' }]);
  });

  test('has methods whose names have to be spelled right', () => {
    expect(() => shown('s.Length()', 'String s = "x";')).toThrow(/“length” is. Capitals count/);
  });
});

describe('structs', () => {
  test('are handed over whole, and given back whole', () => {
    const source = `struct Gate { int angle; bool open; };
Gate opened(Gate gate) { gate.angle += 90; gate.open = true; return gate; }
void setup() { Serial.begin(9600); Gate a = {10, false}; Gate b = opened(opened(a));
  Serial.print(a.angle); Serial.print(' '); Serial.print(b.angle); Serial.print(' '); Serial.print(opened(b).angle); }
void loop() { }`;
    expect(printedBy(runOn({ source }))).toBe('10 190 280');
  });
});

describe('what is read from the serial line', () => {
  const asks = (body: string, typed: string): string =>
    printedBy(
      runOn({
        source: `void setup() { Serial.begin(9600); } void loop() { if (Serial.available()) { ${body} } }`,
        stimuli: [{ at: 0.2, serial: typed }],
        seconds: 4,
      }),
    );

  test.each([
    [
      'Serial.print(Serial.parseInt() + Serial.parseInt()); while (Serial.available()) Serial.read();',
      '12,30\n',
      '42',
    ],
    ['Serial.print(Serial.parseFloat());while (Serial.available()) Serial.read();', '2.5\n', '2.50'],
    ["Serial.print(Serial.readStringUntil('\\n')); Serial.print('|');", 'up\ndown\n', 'up|down|'],
    ['Serial.print(Serial.readString());', 'ahoy', 'ahoy'],
    ['char c = Serial.peek(); Serial.print(c); Serial.print((char)Serial.read());', 'k', 'kk'],
    ['Serial.write(Serial.read() + 1);', 'a', 'b'],
  ])('%s', (body, typed, wanted) => {
    expect(asks(body, typed)).toBe(wanted);
  });
});

describe('letters', () => {
  test.each([
    ["isDigit('7')", '1'],
    ["isAlpha('7')", '0'],
    ["isUpperCase('Q') && !isLowerCase('Q')", '1'],
    ["(char)toupper('q')", 'Q'],
    ['B101', '5'],
    ['B00001111', '15'],
  ])('%s is %s', (expression, wanted) => {
    expect(shown(expression)).toBe(wanted);
  });
});
