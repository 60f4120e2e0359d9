// What the routines ask of motors, inputs and outputs. Numbers are those of the lists in routine.c; positions are thousandths of a degree or millionths of
// a metre, speeds parts of 10000 of the usual speed.
#ifndef DRIVES_H
#define DRIVES_H

#include <stdbool.h>
#include <stdint.h>

void drive_push(uint8_t m, int32_t way, int32_t speed); // on and on, up 1 or down -1
void drive_send(uint8_t m, int32_t to, int32_t speed);  // to a position
void drive_stop(uint8_t m, uint8_t how);                // 0 brakes, 1 lets it run out, 2 holds it
void drive_power(uint8_t m, bool is_on);
void drive_found(uint8_t m, int32_t at);                // a switch tells where it stands
void drive_is_at(uint8_t m, bool is_known, int32_t at); // where it should be by now
void drive_couples(uint8_t m, bool is_done);             // a shared motor is being coupled to it, or is by now
void drive_takes(uint8_t m, uint8_t thing);             // it carries something from now on; 255 is nothing

bool drive_still(uint8_t m);       // it has come to rest
bool drive_arrived(uint8_t m);     // it is where it was sent
bool drive_moving(uint8_t m);      // it is driven, or still turns
bool drive_feels(uint8_t m);       // it knows where it is whenever it has power
int32_t drive_position(uint8_t m); // as it counts, or was sent
int32_t drive_speed(uint8_t m);    // for each second

// When the power comes on, and then as often as can be.
void drive_begin(void);
void drive_run(uint32_t at_ms, uint32_t at_us);

bool drive_input(uint8_t i);       // pressed, broken, tripped
void drive_hear(uint8_t i, bool is_on); // a message came
int32_t drive_level(uint8_t l);    // thousandths of its reading
void drive_output(uint8_t o, bool is_on, uint32_t coil_ms);

// a * b / c, rounded towards 0.
static inline int32_t scaled(int32_t a, int32_t b, int32_t c)
{
    return (int32_t)((int64_t)a * b / c);
}

#endif
