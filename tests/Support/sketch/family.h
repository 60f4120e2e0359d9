// What a board of the family of sketches has, as far as compiling one needs it.
#pragma once
#include <stdint.h>
#define HIGH 1
#define LOW 0
#define OUTPUT 1
#define INPUT 0
#define INPUT_PULLUP 2
#define LED_BUILTIN 13
void pinMode(int, int);
void digitalWrite(int, int);
int digitalRead(int);
void analogWrite(int, int);
int analogRead(int);
unsigned long millis();
unsigned long micros();
void delayMicroseconds(unsigned int);
unsigned long pulseIn(int, int, unsigned long);
struct SerialLine {
    void begin(long);
    void write(uint8_t);
    int available();
    int read();
};
extern SerialLine Serial;
