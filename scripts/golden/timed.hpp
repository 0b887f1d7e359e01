// Pins and time for programs whose edges are timed in an emulator of the processor. Written as the boards' library
// usually is: pins looked up in tables in flash memory, a clock that counts overflows of a timer, pauses that watch
// it. Each write to a pin is noted with the cycles since the one before, by a second timer; both timers stand still
// while it is noted, and the second one begins again at zero.
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/pgmspace.h>
#include <avr/sleep.h>
#include <stdint.h>
#include <stdlib.h>

typedef uint8_t byte;
typedef bool boolean;
enum { LOW = 0, HIGH = 1, INPUT = 0, OUTPUT = 1, INPUT_PULLUP = 2 };

static volatile unsigned long overflows = 0, milliseconds = 0;
static volatile uint8_t fraction = 0;
ISR(TIMER0_OVF_vect) {
  unsigned long m = milliseconds;
  uint8_t f = fraction;
  m += 1;
  f += 3;
  if (f >= 125) {
    f -= 125;
    m += 1;
  }
  fraction = f;
  milliseconds = m;
  overflows++;
}

unsigned long millis() {
  uint8_t kept = SREG;
  cli();
  unsigned long m = milliseconds;
  SREG = kept;
  return m;
}

unsigned long micros() {
  uint8_t kept = SREG;
  cli();
  unsigned long m = overflows;
  uint8_t t = TCNT0;
  if ((TIFR0 & (1 << TOV0)) && t < 255) m++;
  SREG = kept;
  return ((m << 8) + t) * 4;
}

void delay(unsigned long ms) {
  unsigned long start = micros();
  while (ms > 0)
    while (ms > 0 && micros() - start >= 1000) {
      ms--;
      start += 1000;
    }
}

void __attribute__((noinline)) delayMicroseconds(unsigned int us) {
  if (us <= 1) return;
  us <<= 2;
  us -= 5;
  __asm__ __volatile__("1: sbiw %0,1\n\tbrne 1b" : "=w"(us) : "0"(us));
}

// Noted edges: cycles since the edge before, pin and level.
static const uint8_t MOST = 120;
static uint32_t noted[MOST];
static uint8_t notes[MOST];
static volatile uint8_t count = 0;
static volatile uint16_t wide = 0;
ISR(TIMER1_OVF_vect) { wide++; }

static const uint8_t PROGMEM portOf[] = {2, 2, 2, 2, 2, 2, 2, 2, 0, 0, 0, 0, 0, 0};
static const uint8_t PROGMEM maskOf[] = {1, 2, 4, 8, 16, 32, 64, 128, 1, 2, 4, 8, 16, 32};
static const uint8_t PROGMEM timerOf[] = {0, 0, 0, 1, 0, 2, 3, 0, 0, 4, 5, 6, 0, 0};
static volatile uint8_t *const PROGMEM outputs[] = {&PORTB, &PORTC, &PORTD};
static volatile uint8_t *const PROGMEM modes[] = {&DDRB, &DDRC, &DDRD};

static void finish();
static void __attribute__((noinline)) note(uint8_t pin, uint8_t level) {
  uint8_t kept = SREG;
  cli();
  uint16_t low = TCNT1;
  uint8_t here = TCNT0, clock0 = TCCR0B, clock1 = TCCR1B;
  TCCR0B = 0;
  TCCR1B = 0;
  uint16_t high = wide;
  if ((TIFR1 & (1 << TOV1)) && low < 0x8000) high++;
  noted[count] = ((uint32_t)high << 16) | low;
  notes[count] = pin << 1 | level;
  if (++count == MOST) finish();
  TCNT0 = here;
  TCNT1 = 0;
  TIFR1 = 1 << TOV1;
  wide = 0;
  TCCR0B = clock0;
  TCCR1B = clock1;
  SREG = kept;
}

void __attribute__((noinline)) pinMode(uint8_t pin, uint8_t mode) {
  uint8_t bit = pgm_read_byte(maskOf + pin), port = pgm_read_byte(portOf + pin);
  volatile uint8_t *reg = (volatile uint8_t *)pgm_read_word(modes + port);
  volatile uint8_t *out = (volatile uint8_t *)pgm_read_word(outputs + port);
  uint8_t kept = SREG;
  cli();
  if (mode == OUTPUT) *reg |= bit;
  else {
    *reg &= ~bit;
    if (mode == INPUT_PULLUP) *out |= bit;
    else *out &= ~bit;
  }
  SREG = kept;
}

void __attribute__((noinline)) digitalWrite(uint8_t pin, uint8_t level) {
  uint8_t timer = pgm_read_byte(timerOf + pin), bit = pgm_read_byte(maskOf + pin), port = pgm_read_byte(portOf + pin);
  if (timer) TCCR2A &= ~0xC0;
  volatile uint8_t *out = (volatile uint8_t *)pgm_read_word(outputs + port);
  uint8_t kept = SREG;
  cli();
  if (level == LOW) *out &= ~bit;
  else *out |= bit;
  SREG = kept;
  note(pin, level);
}

static void put(char letter) {
  while (!(UCSR0A & (1 << UDRE0))) {
  }
  UDR0 = letter;
}
static void finish() {
  char text[12];
  for (uint8_t at = 0; at < count; at++) {
    for (char *p = ultoa(noted[at], text, 10); *p; p++) put(*p);
    put(' ');
    for (char *p = utoa(notes[at] >> 1, text, 10); *p; p++) put(*p);
    put(' ');
    put(notes[at] & 1 ? '1' : '0');
    put('\n');
  }
  cli();
  sleep_enable();
  sleep_cpu();
}

void setup();
void loop();
int main() {
  UCSR0B = 1 << TXEN0;
  UBRR0 = 0;
  TCCR0A = 3;
  TCCR0B = 3;
  TIMSK0 = 1;
  TCCR1A = 0;
  TCCR1B = 1;
  TIMSK1 = 1;
  sei();
  // What noting itself takes, twice, so that it can be taken off.
  note(0, 0);
  note(0, 0);
  setup();
  // A program that has said all it has to say within its time is over.
  for (;;) {
    loop();
    if (count > 0 && wide >= 7000) finish();
  }
}
