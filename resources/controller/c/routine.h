// What the routines offer to the rest of the program.
#ifndef ROUTINE_H
#define ROUTINE_H

#include <stdbool.h>
#include <stdint.h>

// When the power comes on: inputs are taken as they are.
void begin(uint32_t at_ms);

// One look at everything: call it every SCAN_MS milliseconds.
void scan(uint32_t at_ms);

// For so long, in milliseconds, nothing happens unless an input or a motor says something else.
uint32_t rests_for(void);

// Starts a routine by hand.
void begin_routine(uint8_t r);

#endif
