import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Trace } from '../../rehearsal/trace';
import { runOn } from '../../testing/bench';
import { samples } from '../../testing/samples';

const rows = `
B1,breadboard,half,,
S1,button,,1,B1.e2
S1,button,,2,B1.f2
S1,button,,3,B1.e4
S1,button,,4,B1.f4
W1,wire,red,1,B1.a4
W1,wire,red,2,U1.5V
W2,wire,green,1,B1.a2
W2,wire,green,2,U1.2
R1,resistor,10k,1,B1.b2
R1,resistor,10k,2,U1.GND`;

/** A run in which the button is held from `from` for `held` seconds. */
const held = (
  source: string,
  skip: boolean,
  [from, length]: readonly [number, number],
  seconds = 0.25,
): Trace => runOn({ rows, source, seconds, skip, stimuli: [{ at: from, press: 'S1', for: length }] });

const head = 'const int LED = 13;\n';
const begin = 'void setup() { pinMode(LED, OUTPUT); pinMode(2, INPUT); }\n';

/** Programs that count their passes, as a clock of their own or for nothing. */
const counting: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'for nothing': (ms) =>
    `${head}unsigned long passes = 0; unsigned long last = 0;\n${begin}void loop() { passes++; int v = digitalRead(2); if (v) last = millis(); digitalWrite(LED, last > 0 && millis() - last < ${ms}); }`,
  'to a number': (ms, more) =>
    `${head}unsigned int passes = 0; bool on = false;\n${begin}void loop() { passes++; if (passes >= ${ms * 20}) { passes = 0; on = !on; digitalWrite(LED, on); } if (digitalRead(2)) passes += ${more}; }`,
  'to exactly a number': (ms) =>
    `${head}int passes = 0;\n${begin}void loop() { if (passes == ${ms * 9}) digitalWrite(LED, HIGH); if (passes != ${ms * 9}) passes++; if (digitalRead(2)) passes = 0; }`,
  down: (ms) =>
    `${head}int left = 0;\n${begin}void loop() { if (digitalRead(2)) left = ${ms * 30}; if (left > 0) { left--; digitalWrite(LED, HIGH); } else digitalWrite(LED, LOW); }`,
  'by three, compared as a long': (ms, more) =>
    `${head}int sum = ${more};\n${begin}void loop() { sum += 3; digitalWrite(LED, sum > ${ms * 40}L); if (sum > 30000) sum = 0; }`,
  'in a byte that wraps': (ms) =>
    `${head}byte n = 0;\n${begin}void loop() { n++; digitalWrite(LED, n < ${ms}); }`,
  'in a byte, as a number without a sign': () =>
    `${head}char n = 0;\n${begin}void loop() { n++; digitalWrite(LED, n < 0); }`,
  'by a rest': (ms) =>
    `${head}unsigned long n = 0;\n${begin}void loop() { n++; digitalWrite(LED, n % ${ms + 1} == 0); }`,
  'twice in a pass': (ms) =>
    `${head}long n = 0;\n${begin}void loop() { n++; if (n > ${ms * 11}) digitalWrite(LED, HIGH); n += 2; if (digitalRead(2)) n = 0; }`,
  'two of them, against each other': (ms) =>
    `${head}long a = 0; long b = ${ms};\n${begin}void loop() { a += 2; b++; digitalWrite(LED, a > b); if (digitalRead(2)) a = 0; }`,
  'in a static of a function': (ms) =>
    `${head}bool due() { static int n = 0; n++; if (n > ${ms * 5}) { n = 0; return true; } return false; }\n${begin}bool on = false; void loop() { if (due()) { on = !on; digitalWrite(LED, on); } }`,
  'in a loop inside': (ms, more) =>
    `${head}unsigned int n = 0;\n${begin}void loop() { while (n < ${ms * 25}) { n++; } digitalWrite(LED, HIGH); delay(${(more % 5) + 1}); digitalWrite(LED, LOW); n = 0; }`,
  'with its value used': (ms) =>
    `${head}int n = 0;\n${begin}void loop() { if (n++ > ${ms * 3}) n = 0; digitalWrite(LED, n > ${ms}); }`,
  'as the index of a list': (_, more) =>
    `${head}const byte CODE[] = {3, 5, 2, 5}; int at = 0;\n${begin}void loop() { at++; if (at >= 4) at = 0; digitalWrite(LED, CODE[at] == 5); if (digitalRead(2)) delay(${(more % 5) + 1}); }`,
  'as an index that moves where it is asked': (ms) =>
    `${head}byte marks[] = {0, 1, 1, 0, 1}; int at = 0;\n${begin}void loop() { if (marks[at++ % 5] == 1) digitalWrite(LED, HIGH); else digitalWrite(LED, LOW); if (at > ${ms * 9}) at = 0; }`,
  'in a list': (ms) =>
    `${head}int counts[3] = {0, 0, 0}; int which = 0;\n${begin}void loop() { counts[which]++; if (counts[which] >= ${ms * 4}) { counts[which] = 0; which = (which + 1) % 3; digitalWrite(LED, which == 1); } }`,
  'in a list, one after the other': (ms) =>
    `${head}unsigned int counts[3] = {0, 0, 0};\n${begin}void loop() { for (int i = 0; i < 3; i++) counts[i] += i + 1; digitalWrite(LED, counts[2] % ${ms * 6 + 2} > ${ms * 3} && counts[0] > 1); if (digitalRead(2)) counts[2] = 0; }`,
  'as places in a code': (ms) =>
    `${head}const int CODE[] = {1, 1, 0}; int place = 0;\nint pressed() { if (digitalRead(2) == LOW) return 0; delay(${(ms % 9) + 1}); while (digitalRead(2)) delay(1); return 1; }\n${begin}void loop() { int button = pressed(); if (button == 0) return; if (button == CODE[place]) place++; else place = 0; digitalWrite(LED, place == 2); }`,
  'sent when a button is pressed': () =>
    `${head}unsigned int n = 0;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { n++; if (digitalRead(2)) { Serial.println(n); digitalWrite(LED, n & 1); delay(20); } }`,
};

/** Programs that keep the moment of every pass while something is held, as beginners write it. */
const programs: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'stays on after it was seen': (ms) =>
    `${head}unsigned long last = 0; bool on = false;\n${begin}void loop() { if (digitalRead(2)) { last = millis(); on = true; } if (on && millis() - last >= ${ms}) on = false; digitalWrite(LED, on); }`,
  'from a local': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { unsigned long now = millis(); if (digitalRead(2)) last = now; digitalWrite(LED, last > 0 && now - last < ${ms}); }`,
  'to a deadline': (ms) =>
    `${head}unsigned long until = 0;\n${begin}void loop() { if (digitalRead(2)) until = millis() + ${ms}; digitalWrite(LED, millis() < until); }`,
  'to a deadline, the other way round': (ms) =>
    `${head}unsigned long until = 0;\n${begin}void loop() { unsigned long now = millis(); if (digitalRead(2) == HIGH) until = now + ${ms}; if (until > now) digitalWrite(LED, HIGH); else digitalWrite(LED, LOW); }`,
  'in micros': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { if (digitalRead(2)) last = micros(); digitalWrite(LED, micros() - last < ${ms}000UL); }`,
  'asked before it is kept': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { digitalWrite(LED, millis() - last > ${ms}); if (digitalRead(2)) last = millis(); }`,
  'kept in every pass': (ms) =>
    `${head}unsigned long last = 0; bool on = false;\n${begin}void loop() { unsigned long passed = millis() - last; last = millis(); if (passed > ${ms}) on = !on; digitalWrite(LED, on); if (digitalRead(2)) delay(3); }`,
  'two of them': (ms, more) =>
    `${head}unsigned long up = 0; unsigned long down = 0;\n${begin}void loop() { if (digitalRead(2)) up = millis(); else down = millis(); digitalWrite(LED, millis() - up < ${ms} || millis() - down > ${more}); }`,
  'two units': (ms, more) =>
    `${head}unsigned long one = 0; unsigned long other = 0;\n${begin}void loop() { if (digitalRead(2)) { one = millis(); other = micros(); } digitalWrite(LED, millis() - one < ${ms} && micros() - other > ${more}00UL); }`,
  'its value used': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); digitalWrite(LED, last % ${ms} < ${ms} / 2); }`,
  'in a struct, by a reference': (ms) =>
    `${head}struct Seen { unsigned long at; bool on; };\nSeen seen[2];\nvoid note(unsigned long &at) { at = millis(); }\n${begin}void loop() { if (digitalRead(2)) note(seen[1].at); seen[1].on = millis() - seen[1].at < ${ms}; digitalWrite(LED, seen[1].on); }`,
  'in a struct that is copied whole': (ms) =>
    `${head}struct Seen { unsigned long at; bool on; };\nSeen seen = {0, false};\n${begin}void loop() { if (digitalRead(2)) seen.at = millis(); Seen now = seen; digitalWrite(LED, millis() - now.at < ${ms}); }`,
  'glitches with a moment that is newer': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { unsigned long now = millis(); if (digitalRead(2)) last = millis(); if (now - last > ${ms}) digitalWrite(LED, LOW); else digitalWrite(LED, HIGH); }`,
  'the clock twice': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); digitalWrite(LED, millis() + last < ${ms} * 10UL); }`,
  'with loops inside': (ms, more) =>
    `${head}unsigned long last = 0; int sum = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); sum = 0; for (int i = 0; i < ${(more % 4) + 1}; i++) sum += i; digitalWrite(LED, millis() - last < ${ms} && sum >= 0); }`,
  'asked whether there is one': (ms) =>
    `${head}unsigned long last = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); if (last > 30 && last != 0) digitalWrite(LED, millis() - last < ${ms}); }`,
  'the time of a pass taken off': (ms) =>
    `${head}unsigned long before = 0; long left = 0;\n${begin}void loop() { unsigned long now = millis(); unsigned long step = now - before; before = now; if (digitalRead(2)) left = ${ms}; else if (left > 0) left -= step; digitalWrite(LED, left > 0); }`,
  'the time of a pass asked': (ms, more) =>
    `${head}unsigned long before = 0; int slow = 0;\n${begin}void loop() { unsigned long now = millis(); unsigned long step = now - before; before = now; if (step > ${(ms % 7) + 1}) slow++; if (digitalRead(2)) delay(${more % 9}); digitalWrite(LED, slow % 2); }`,
  'time since, in a variable': (ms) =>
    `${head}unsigned long start = 0, elapsed = 0; bool on = false;\n${begin}void loop() { if (digitalRead(2)) { start = millis(); on = true; } elapsed = millis() - start; if (on) { digitalWrite(LED, HIGH); if (elapsed >= ${ms}) { on = false; digitalWrite(LED, LOW); } } }`,
  'time since, asked before it is kept': (ms) =>
    `${head}unsigned long start = 0, elapsed = 0;\n${begin}void loop() { digitalWrite(LED, elapsed < ${ms}); if (digitalRead(2)) start = millis(); elapsed = millis() - start; }`,
  'time since, shown': (ms) =>
    `${head}unsigned long start = 0;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { unsigned long now = micros(); if (digitalRead(2)) start = now; unsigned long since = now - start; if (since > ${ms}000UL && since < ${ms}500UL) { Serial.println(since); } digitalWrite(LED, since < ${ms}000UL); }`,
  'from a function': (ms) =>
    `${head}unsigned long last = 0;\nunsigned long now() { return millis(); }\n${begin}void loop() { unsigned long t = now(); if (digitalRead(2)) last = t; digitalWrite(LED, last > 0 && t - last < ${ms}); }`,
  'time since, from a function': (ms) =>
    `${head}unsigned long start = 0;\nunsigned long since(unsigned long moment) { unsigned long t = millis(); return t - moment; }\n${begin}void loop() { if (digitalRead(2)) start = millis(); unsigned long passed = since(start); if (passed < ${ms}) digitalWrite(LED, HIGH); else digitalWrite(LED, LOW); }`,
  'whether it is due, from a function': (ms) =>
    `${head}unsigned long last = 0; bool on = false;\nbool due() { if (millis() - last < ${ms}) return false; last = millis(); return true; }\n${begin}void loop() { bool isDue = due(); if (isDue == true && digitalRead(2) == LOW) { on = !on; digitalWrite(LED, on); } }`,
  'by another name': (ms) =>
    `${head}unsigned long last = 0;\nunsigned long same(unsigned long &moment) { return moment; }\n${begin}void loop() { unsigned long now = millis(); if (digitalRead(2)) last = now; unsigned long t = same(now); digitalWrite(LED, t - last < ${ms}); }`,
  'time held, shown when it is let go': () =>
    `${head}unsigned long start = 0, held = 0; bool was = false;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { bool is = digitalRead(2); if (was && !is) Serial.println(held); if (is && !was) start = millis(); held = millis() - start; was = is; }`,
  'last seen, shown when it is let go': () =>
    `${head}unsigned long last = 0; bool was = false;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { bool is = digitalRead(2); if (is) last = millis(); if (was && !is) Serial.println(last); was = is; }`,
  'from a local outside of the loop, shown': () =>
    `${head}unsigned long last = 0;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { unsigned long now = millis(); while (digitalRead(2)) { last = now; } if (last != 0) { Serial.println(last); last = 0; } }`,
  'two looks ago, shown when it is let go': () =>
    `${head}unsigned long last = 0, older = 0; bool was = false;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { bool is = digitalRead(2); if (is) { older = last; last = micros(); } if (was && !is) Serial.println(last - older); was = is; }`,
  signed: (ms) =>
    `${head}long last = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); digitalWrite(LED, (long) millis() - last < ${ms}); }`,
};

/** Programs whose variables are set and set again in each pass, so that it ends as the one before. */
const setAgain: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'set anew and added to': (ms, more) =>
    `${head}int sum = 0;\n${begin}void loop() { sum = 0; for (int i = 0; i < 4; i++) if (digitalRead(2)) sum += ${more}; digitalWrite(LED, sum > ${ms}); }`,
  'set anew and counted': (ms, more) =>
    `${head}int n = 0; unsigned long last = 0;\n${begin}void loop() { n = 0; if (digitalRead(2)) n++; if (n > 0 && millis() - last > ${ms}) { last = millis(); digitalWrite(LED, ${more} % 2); } else if (n == 0) digitalWrite(LED, LOW); }`,
  'counted up and down': (ms) =>
    `${head}int n = 0; int turns = 0;\n${begin}void loop() { n++; if (digitalRead(2)) { n--; } if (n > ${ms * 3}) { n = 0; turns++; } digitalWrite(LED, turns % 2); }`,
  'turned twice': (ms) =>
    `${head}bool on = false; bool other = true;\n${begin}void loop() { on = !on; if (digitalRead(2)) other = !other; on = !on; digitalWrite(LED, on == other); if (millis() > ${ms}) on = true; }`,
  exchanged: (_, more) =>
    `${head}int a = 1; int b = ${more}; int c = 0;\n${begin}void loop() { c = a; a = b; b = c; if (digitalRead(2)) { c = a; a = b; b = c; } digitalWrite(LED, a > 3); }`,
  'a moment that is taken back': (ms) =>
    `${head}unsigned long last = 0; unsigned long seen = 0;\n${begin}void loop() { seen = millis(); if (digitalRead(2)) last = seen; seen = 0; digitalWrite(LED, last > 0 && millis() - last < ${ms} && seen == 0); }`,
  'a list of readings, through a pointer': (ms, more) =>
    `${head}int values[${(more % 45) + 1}]; int *at;\n${begin}void loop() { at = values; for (int i = 0; i < ${(more % 45) + 1}; i++) { values[i] = 0; *at = digitalRead(2) * ${ms}; at++; } digitalWrite(LED, values[0] > 20); }`,
  'a chance in between': (ms) =>
    `${head}int n = 0;\n${begin}void loop() { n = random(${ms}); if (digitalRead(2)) digitalWrite(LED, n % 2); n = 0; }`,
};

/** Programs that read the clock into a variable of the whole program, once in each pass. */
const readOnce: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'now, and a moment before it': (ms) =>
    `${head}unsigned long now = 0, last = 0; bool on = false;\n${begin}void loop() { now = millis(); if (now - last >= ${ms}) { last = now; on = !on; digitalWrite(LED, on); } }`,
  'now, while something is held': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) last = now; digitalWrite(LED, now - last < ${ms}); }`,
  'now, kept behind the question': (ms, more) =>
    `${head}unsigned long now = 0, last = 0; int slow = 0;\n${begin}void loop() { now = micros(); if (now - last > ${ms * 4}UL) slow++; last = now; if (digitalRead(2)) delayMicroseconds(${more}); digitalWrite(LED, slow % 2); }`,
  'now, kept before the question': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) last = now; if (now - last >= ${ms} || now - last > ${ms * 2}) digitalWrite(LED, HIGH); else digitalWrite(LED, LOW); }`,
  'now and a deadline': (ms) =>
    `${head}unsigned long now = 0, due = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) due = now + ${ms}; digitalWrite(LED, now < due); }`,
  'now on the right': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) last = now; digitalWrite(LED, last + ${ms} > now); }`,
  'now taken off': (ms) =>
    `${head}long now = 0, last = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) last = now; digitalWrite(LED, last - now > -${ms}); }`,
  'now read twice': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { now = millis(); if (digitalRead(2)) last = now; now = millis(); digitalWrite(LED, now - last <= ${ms}); }`,
  'now, asked before it is read': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { digitalWrite(LED, now - last < ${ms}); now = millis(); if (digitalRead(2)) last = now; }`,
  'now of a struct': (ms) =>
    `${head}struct Timer { unsigned long now; unsigned long last; }; Timer t = {0, 0};\n${begin}void loop() { t.now = millis(); if (digitalRead(2)) t.last = t.now; digitalWrite(LED, t.now - t.last < ${ms}); }`,
  'now, cut to a small number': (ms) =>
    `${head}unsigned long now = 0, last = 0;\n${begin}void loop() { now = micros(); if (digitalRead(2)) last = now; digitalWrite(LED, (long)(int)(now - last) < ${ms * 100}L); }`,
  'now and a moment older still': (ms) =>
    `${head}unsigned long now = 0, last = 0, older = 0;\n${begin}void loop() { now = millis(); older = last; last = now; if (digitalRead(2)) delay(${ms}); digitalWrite(LED, now - older > ${ms}); }`,
  'now shown when it is let go': () =>
    `${head}unsigned long now = 0, last = 0; bool was = false;\nvoid setup() { Serial.begin(115200); pinMode(LED, OUTPUT); pinMode(2, INPUT); }\nvoid loop() { now = micros(); bool is = digitalRead(2); if (is) last = now; if (was && !is) Serial.println(last); was = is; }`,
  'now counted from': (ms, more) =>
    `${head}unsigned long now = 0, last = 0; unsigned long n = 0;\n${begin}void loop() { n++; now = millis(); if (digitalRead(2)) last = now; digitalWrite(LED, now - last + n < ${ms * more}UL); }`,
};

/** Programs that look at the clock in a loop inside of the pass, or in a way that is good for one count only. */
const lookedAt: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'a list of moments': (ms) =>
    `unsigned long last[3]; int pins[] = {13, 12, 11}; bool on[3];\n${begin.replace(/LED/g, '13')}void loop() { for (int i = 0; i < 3; i++) { if (millis() - last[i] >= ${ms}UL * (i + 1)) { last[i] = millis(); on[i] = !on[i]; digitalWrite(pins[i], on[i]); } } }`,
  'a list of moments, the clock read before': (ms) =>
    `unsigned long last[3]; int pins[] = {13, 12, 11}; bool on[3];\n${begin.replace(/LED/g, '13')}void loop() { unsigned long now = millis(); for (int i = 0; i < 3; i++) { if (now - last[i] >= ${ms}UL * (i + 1)) { last[i] = now; on[i] = !on[i]; digitalWrite(pins[i], on[i]); } } }`,
  'a list of moments, the clock in micros': (ms) =>
    `unsigned long last[2]; int pins[] = {13, 12}; bool on[2];\n${begin.replace(/LED/g, '13')}void loop() { unsigned long now = micros(); for (int i = 0; i < 2; i++) { if (now - last[i] >= ${ms}00UL * (i + 2)) { last[i] = now; on[i] = !on[i]; digitalWrite(pins[i], on[i]); } } }`,
  'a list of moments, the clock of the whole program': (ms) =>
    `unsigned long now; unsigned long last[2]; int pins[] = {13, 12}; bool on[2];\n${begin.replace(/LED/g, '13')}void loop() { now = millis(); for (int i = 0; i < 2; i++) { if (now - last[i] >= ${ms}UL * (i + 1)) { last[i] = now; on[i] = !on[i]; digitalWrite(pins[i], on[i]); } } }`,
  'a wait inside': (ms, more) =>
    `${head}${begin}void loop() { unsigned long start = millis(); while (millis() - start < ${ms}) { if (digitalRead(2)) break; } digitalWrite(LED, HIGH); for (int i = 0; i < ${(more % 4) + 1}; i++) { while (millis() % 5 != 0) { } digitalWrite(LED, i % 2); } }`,
  'a moment that is kept and asked in a loop': (ms) =>
    `${head}unsigned long last = 0; int n = 0;\n${begin}void loop() { if (digitalRead(2)) last = millis(); for (int i = 0; i < 4; i++) { if (i == 3 && last % ${ms + 1} > ${(ms / 2) | 0}) n = i; else n = 0; } digitalWrite(LED, n == 3); }`,
  'handed to a method': (ms) =>
    `class Blinker { unsigned long every; unsigned long last; bool on; public: Blinker(unsigned long e) { every = e; last = 0; on = false; } void update(unsigned long now) { if (now - last >= every) { last = now; on = !on; digitalWrite(13, on); } } };\nBlinker one(${ms});\n${begin.replace(/LED/g, '13')}void loop() { one.update(millis()); if (digitalRead(2)) delay(2); }`,
  'handed by reference': (ms) =>
    `${head}unsigned long last = 0; bool on;\nbool due(unsigned long &moment, unsigned long every) { if (millis() - moment >= every) { moment = millis(); return true; } return false; }\n${begin}void loop() { if (due(last, ${ms})) { on = !on; digitalWrite(LED, on); } }`,
  'time since, from a function': (ms) =>
    `${head}unsigned long since = 0;\nunsigned long elapsed() { return millis() - since; }\n${begin}void loop() { if (elapsed() > ${ms}) { since = millis(); digitalWrite(LED, !digitalRead(LED)); } }`,
  'in larger units': (ms) =>
    `${head}int units = 0; int shown = -1;\n${begin}void loop() { units = millis() / ${ms + 1}; if (units != shown) { shown = units; digitalWrite(LED, units % 2); } }`,
  'in larger units, in micros': (ms) =>
    `${head}int units = 0;\n${begin}void loop() { units = micros() / ${ms * 90}UL; digitalWrite(LED, units % 2); }`,
  'by a rest': (ms, more) =>
    `${head}${begin}void loop() { unsigned long phase = millis() % ${ms + more}; if (phase < ${ms}) digitalWrite(LED, HIGH); else digitalWrite(LED, LOW); }`,
  'by a rest, of the whole program': (ms, more) =>
    `${head}int phase;\n${begin}void loop() { phase = millis() % ${ms + more}; if (digitalRead(2)) phase = 0; digitalWrite(LED, phase < ${ms}); }`,
  'as a fraction': (ms) =>
    `${head}${begin}void loop() { float s = millis() / 1000.0; if (s > ${ms} / 300.0) digitalWrite(LED, HIGH); }`,
  'down to nothing': (ms) =>
    `${head}unsigned long start = 0;\n${begin}void loop() { long left = ${ms} - (long)(millis() - start); if (left <= 0) { start = millis(); digitalWrite(LED, !digitalRead(LED)); } }`,
  'down to nothing, of the whole program': (ms) =>
    `${head}unsigned long start = 0; long left = 0;\n${begin}void loop() { left = ${ms} - (long)(millis() - start); if (left <= 0) { start = millis(); digitalWrite(LED, !digitalRead(LED)); } }`,
  'beside the moment before': (ms) =>
    `${head}unsigned long before = 0; int steps = 0;\n${begin}void loop() { unsigned long now = millis() / 3; if (now != before) { steps++; before = now; } digitalWrite(LED, steps % ${(ms % 7) + 2} == 0); }`,
  'in a small number': (ms) =>
    `${head}unsigned int now = 0, last = 0;\n${begin}void loop() { now = millis(); if (now - last >= ${ms}u) { last = now; digitalWrite(LED, !digitalRead(LED)); } }`,
};

/** Programs that wait in a loop of their own, in each pass of which locals change and end as they began. */
const waiting: Readonly<Record<string, (ms: number, more: number) => string>> = {
  'for one of several pins, in a function': (ms) =>
    `${head}int wait() { while (true) { for (int pin = 2; pin < 5; pin++) { if (digitalRead(pin)) return pin; } } }\n${begin}void loop() { int pin = wait(); digitalWrite(LED, HIGH); delay(${ms}); digitalWrite(LED, pin > 2); while (digitalRead(2)) { } }`,
  'with a local that is set and set back': (ms, more) =>
    `${head}${begin}void loop() { int seen = 0; while (seen < ${more}) { int now = 0; for (int i = 0; i < 3; i++) now += digitalRead(2); seen = now * ${more}; } digitalWrite(LED, HIGH); delay(${ms}); digitalWrite(LED, LOW); }`,
  'with one that counts on': (ms) =>
    `${head}${begin}void loop() { unsigned int rounds = 0; while (!digitalRead(2)) { for (int i = 0; i < 2; i++) { } rounds++; } digitalWrite(LED, rounds % ${ms + 1} == 0); while (digitalRead(2)) { } }`,
  'in loops in each other': (ms, more) =>
    `${head}${begin}void loop() { for (int round = 0; round < ${(more % 3) + 2}; round++) { int held = 0; do { held = 0; for (int i = 0; i < 2; i++) { int j = i; while (j < 3) j++; held += digitalRead(2); } } while (held < 2); digitalWrite(LED, round % 2); delay(${ms}); } }`,
  'with a moment': (ms) =>
    `${head}${begin}void loop() { unsigned long start = millis(); while (true) { unsigned long passed = millis() - start; int seen = 0; for (int i = 0; i < 2; i++) seen += digitalRead(2); if (seen > 0 || passed > ${ms}) break; } digitalWrite(LED, !digitalRead(LED)); }`,
  'with a moment of each round': (ms) =>
    `${head}${begin}void loop() { unsigned long last = millis(); unsigned long most = 0; for (int n = 0; n < 50 + ${ms}; n++) { unsigned long now = micros(); if (digitalRead(2)) most = now; } while (!digitalRead(2)) { for (int i = 0; i < 2; i++) { last = millis(); } if (last % 7 == 3) break; } digitalWrite(LED, (last + most) % 2); }`,
  'with more locals than are followed': (ms) =>
    `${head}${begin}void loop() { int list[200]; while (true) { for (int i = 0; i < 200; i++) { list[i] = i; list[i] = 0; } if (digitalRead(2)) break; } digitalWrite(LED, HIGH); delay(${ms}); digitalWrite(LED, LOW); }`,
  'in one function and another by turns': (ms, more) =>
    `${head}int one(int n) { int a = n; for (int i = 0; i < 2; i++) a += i; return a + digitalRead(2); }\nint other(int n) { int b = n * 2; int c = b + 1; return c + digitalRead(2); }\n${begin}void loop() { int sum = 0; while (sum < ${more} + 6) { sum = one(1) + other(2); sum = digitalRead(2) ? sum + ${more} : 0; } digitalWrite(LED, HIGH); delay(${ms}); digitalWrite(LED, LOW); }`,
};

const everyProgram = { ...programs, ...counting, ...setAgain, ...readOnce, ...lookedAt, ...waiting };

describe('variables that move by themselves', () => {
  test.each(Object.entries(everyProgram))(
    'are skipped to the very same trace: %s',
    (_, write) => {
      fc.assert(
        fc.property(
          fc.integer({ min: 1, max: 60 }),
          fc.integer({ min: 1, max: 50 }),
          fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 1, max: 120 })),
          (ms, more, [from, length]) => {
            const when = [from / 1000, length / 1000] as const;
            const source = write(ms, more);
            const [fast, plain] = [held(source, true, when), held(source, false, when)];
            expect([...fast.pins]).toEqual([...plain.pins]);
            expect(fast.serial).toEqual(plain.serial);
            expect(fast.ended.at).toBe(plain.ended.at);
            expect(fast.steps).toBeLessThanOrEqual(plain.steps);
          },
        ),
        { numRuns: samples(20), seed: 12 },
      );
    },
    60_000,
  );

  test.each([
    'stays on after it was seen',
    'from a local',
    'to a deadline',
    'in micros',
    'asked before it is kept',
    'two of them',
    'asked whether there is one',
    'the time of a pass taken off',
    'for nothing',
    'by three, compared as a long',
    'as places in a code',
    'whether it is due, from a function',
    'set anew and added to',
    'turned twice',
    'now, and a moment before it',
    'now, while something is held',
    'now, kept before the question',
    'now on the right',
    'now of a struct',
    'a list of moments',
    'handed by reference',
    'in larger units',
    'by a rest',
    'down to nothing',
    'for one of several pins, in a function',
    'with a local that is set and set back',
    'in one function and another by turns',
  ])('take few steps: %s', (name) => {
    const source = everyProgram[name]!(100, 40);
    // Of four times as long a run, fewer than all of the short one.
    const [fast, plain] = [held(source, true, [0.05, 1.9], 2), held(source, false, [0.05, 0.4], 0.5)];
    expect(fast.steps).toBeLessThan(plain.steps);
  });
});
