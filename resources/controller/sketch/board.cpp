// The board of this family: pins by their figures, its own functions for everything. The sketch takes this file in; by itself it is empty.
#ifdef BOARD_OF_THE_SKETCH

#include "board.h"
#include "pins.h"
#include "tells.h"

#if __has_include(<EEPROM.h>)
#include <EEPROM.h>
#define KEEPS 1
#endif
#if __has_include(<Servo.h>)
#include <Servo.h>
#define SERVOS 1
static Servo servos[PIN_COUNT];
#endif
#if EXPANDER_COUNT > 0
#include <Wire.h>
static uint16_t lent[EXPANDER_COUNT]; // what each expander puts out; a pin that reads stays up
#endif

static volatile int32_t counts[PIN_COUNT];
static bool beats;

static int at(uint8_t pin) { return pin_figures[pin]; }

#if EXPANDER_COUNT > 0
// Plain port expanders take one byte for each eight channels, and give them back the same way. One that wants registers needs its own words here.
static void lend(uint8_t expander)
{
    Wire.beginTransmission(expander_addresses[expander]);
    Wire.write((uint8_t)(lent[expander] & 0xFF));
    Wire.write((uint8_t)(lent[expander] >> 8));
    Wire.endTransmission();
}

static uint16_t borrow(uint8_t expander)
{
    Wire.requestFrom(expander_addresses[expander], (uint8_t)2);
    uint16_t low = (uint16_t)Wire.read();
    return (uint16_t)(low | ((uint16_t)Wire.read() << 8));
}

static bool is_lent(uint8_t pin) { return pin_boards[pin] > 0; }
#else
static bool is_lent(uint8_t) { return false; }
#endif

void board_begin(void)
{
    Serial.begin(115200);
    pinMode(LED_BUILTIN, OUTPUT);
#if EXPANDER_COUNT > 0
    Wire.begin();
#endif
}

void board_output(uint8_t pin)
{
    if (!is_lent(pin)) {
        pinMode(at(pin), OUTPUT);
        digitalWrite(at(pin), LOW);
    }
}

void board_input(uint8_t pin, bool is_pulled_up)
{
#if EXPANDER_COUNT > 0
    if (is_lent(pin)) {
        lent[pin_boards[pin] - 1] |= (uint16_t)(1u << (at(pin) - 1));
        lend((uint8_t)(pin_boards[pin] - 1));
        return;
    }
#endif
    pinMode(at(pin), is_pulled_up ? INPUT_PULLUP : INPUT);
}

bool board_read(uint8_t pin)
{
#if EXPANDER_COUNT > 0
    if (is_lent(pin)) {
        return ((borrow((uint8_t)(pin_boards[pin] - 1)) >> (at(pin) - 1)) & 1u) != 0;
    }
#endif
    return digitalRead(at(pin)) == HIGH;
}

void board_write(uint8_t pin, bool is_up)
{
#if EXPANDER_COUNT > 0
    if (is_lent(pin)) {
        uint16_t bit = (uint16_t)(1u << (at(pin) - 1));
        uint8_t expander = (uint8_t)(pin_boards[pin] - 1);
        lent[expander] = (uint16_t)(is_up ? lent[expander] | bit : lent[expander] & (uint16_t)~bit);
        lend(expander);
        return;
    }
#endif
    digitalWrite(at(pin), is_up ? HIGH : LOW);
}

void board_pulse(uint8_t pin, int32_t share) { analogWrite(at(pin), (int)(share * 255 / 10000)); }

void board_servo(uint8_t pin, int32_t width_us)
{
#ifdef SERVOS
    if (width_us == 0) {
        servos[pin].detach();
        return;
    }
    if (!servos[pin].attached()) {
        servos[pin].attach(at(pin));
    }
    servos[pin].writeMicroseconds((int)width_us);
#else
    (void)pin;
    (void)width_us;
#endif
}

void board_step(uint8_t pin)
{
    digitalWrite(at(pin), HIGH);
    delayMicroseconds(2);
    digitalWrite(at(pin), LOW);
}

int32_t board_analogue(uint8_t pin) { return analogRead(at(pin)); }

// Looked at each time it is asked, four changes for a pulse: for fast encoders attach an interrupt to both pins that does the same.
int32_t board_count(uint8_t pin_a, uint8_t pin_b)
{
    static uint8_t before[PIN_COUNT];
    uint8_t now = (uint8_t)((digitalRead(at(pin_a)) == HIGH ? 2 : 0) | (digitalRead(at(pin_b)) == HIGH ? 1 : 0));
    if (now == 2 && before[pin_a] == 0) {
        counts[pin_a] = counts[pin_a] + 1;
    } else if (now == 0 && before[pin_a] == 2) {
        counts[pin_a] = counts[pin_a] - 1;
    }
    before[pin_a] = now;
    return counts[pin_a];
}

int32_t board_echo(uint8_t trigger, uint8_t pin)
{
    digitalWrite(at(trigger), HIGH);
    delayMicroseconds(10);
    digitalWrite(at(trigger), LOW);
    return (int32_t)(pulseIn(at(pin), HIGH, 30000) * 1000 / 58);
}

void board_show(uint8_t, bool) {}

void board_alive(void)
{
    beats = millis() % 1000 < 100;
    digitalWrite(LED_BUILTIN, beats ? HIGH : LOW);
}

void board_print(char sign) { Serial.write((uint8_t)sign); }

int board_hear(void) { return Serial.available() > 0 ? Serial.read() : -1; }

uint32_t board_ms(void) { return millis(); }

uint32_t board_us(void) { return micros(); }

uint32_t board_day(void) { return (DAY_STARTS_MS + millis()) % 86400000u; }

void board_keep(uint8_t counter, int32_t value)
{
#ifdef KEEPS
    const uint32_t mark = 0x6B657074;
    EEPROM.put(counter * 8, mark);
    EEPROM.put(counter * 8 + 4, value);
#else
    (void)counter;
    (void)value;
#endif
}

int32_t board_kept(uint8_t counter, int32_t otherwise)
{
#ifdef KEEPS
    uint32_t mark = 0;
    int32_t value = otherwise;
    EEPROM.get(counter * 8, mark);
    EEPROM.get(counter * 8 + 4, value);
    return mark == 0x6B657074 ? value : otherwise;
#else
    (void)counter;
    return otherwise;
#endif
}

#endif
