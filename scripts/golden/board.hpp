// A serial line for programs that run in an emulator of the processor: it prints as the boards' library does,
// in the compiler's own arithmetic. Made for golden results only; it drives no pins.
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

typedef uint8_t byte;
typedef bool boolean;
typedef unsigned int word;

enum { BIN = 2, OCT = 8, DEC = 10, HEX = 16 };

#define min(a, b) ((a) < (b) ? (a) : (b))
#define max(a, b) ((a) > (b) ? (a) : (b))
#define abs(x) ((x) > 0 ? (x) : -(x))
#define constrain(x, low, high) ((x) < (low) ? (low) : ((x) > (high) ? (high) : (x)))
#define round(x) ((x) >= 0 ? (long)((x) + 0.5) : (long)((x)-0.5))
#define sq(x) ((x) * (x))
#define lowByte(w) ((uint8_t)((w)&0xff))
#define highByte(w) ((uint8_t)((w) >> 8))
#define bitRead(value, n) (((value) >> (n)) & 0x01)
#define bitSet(value, n) ((value) |= (1UL << (n)))
#define bitClear(value, n) ((value) &= ~(1UL << (n)))
#define bitWrite(value, n, b) ((b) ? bitSet(value, n) : bitClear(value, n))
#define bit(n) (1UL << (n))

static long map(long x, long fromLow, long fromHigh, long toLow, long toHigh) {
  return (x - fromLow) * (toHigh - toLow) / (fromHigh - fromLow) + toLow;
}
static void randomSeed(unsigned long seed) {
  if (seed != 0) srandom(seed);
}
static long random(long end) { return end == 0 ? 0 : random() % end; }
static long random(long first, long end) { return first >= end ? first : random(end - first) + first; }

class SerialLine {
 public:
  void begin(long) {
    UBRR0 = 0;
    UCSR0B = 1 << TXEN0;
  }

  void print(char letter) { put(letter); }
  void print(const char *text) {
    while (*text) put(*text++);
  }
  void print(unsigned char value, int base = DEC) { print((unsigned long)value, base); }
  void print(char value, int base) { print((long)value, base); }
  void print(bool value) { print((unsigned long)value, DEC); }
  void print(int value, int base = DEC) { print((long)value, base); }
  void print(unsigned int value, int base = DEC) { print((unsigned long)value, base); }
  void print(long value, int base = DEC) {
    if (base == DEC && value < 0) {
      put('-');
      number(-(unsigned long)value, DEC);
    } else {
      number((unsigned long)value, base);
    }
  }
  void print(unsigned long value, int base = DEC) { number(value, base); }
  void print(double value, int places = 2) {
    if (isnan(value)) return print("nan");
    if (isinf(value)) return print("inf");
    if (value > 4294967040.0 || value < -4294967040.0) return print("ovf");
    if (value < 0) {
      put('-');
      value = -value;
    }
    double rounding = 0.5;
    for (int place = 0; place < places; place++) rounding /= 10.0;
    value += rounding;
    unsigned long whole = (unsigned long)value;
    double rest = value - (double)whole;
    number(whole, DEC);
    if (places > 0) put('.');
    while (places-- > 0) {
      rest *= 10.0;
      unsigned int digit = (unsigned int)rest;
      number(digit, DEC);
      rest -= digit;
    }
  }

  void println() { put('\n'); }
  template <typename Value>
  void println(Value value) {
    print(value);
    println();
  }
  template <typename Value>
  void println(Value value, int option) {
    print(value, option);
    println();
  }

 private:
  static void put(char letter) {
    while (!(UCSR0A & (1 << UDRE0))) {
    }
    UDR0 = letter;
  }
  static void number(unsigned long value, int base) {
    char digits[33];
    byte at = 32;
    digits[at] = 0;
    do {
      byte digit = value % base;
      digits[--at] = digit < 10 ? '0' + digit : 'A' + digit - 10;
      value /= base;
    } while (value > 0);
    const char *text = &digits[at];
    while (*text) put(*text++);
  }
};

static SerialLine Serial;

void setup();
void loop();

int main() {
  setup();
  // The emulator ends when the processor sleeps and nothing can wake it.
  cli();
  sleep_enable();
  sleep_cpu();
  return 0;
}
