// The few things that a board must offer. Pins are numbers of the list in drives.c, which tells where each of them is.
#ifndef BOARD_H
#define BOARD_H

#include <stdbool.h>
#include <stdint.h>

void board_begin(void);
void board_output(uint8_t pin);
void board_input(uint8_t pin, bool is_pulled_up);
bool board_read(uint8_t pin);
void board_write(uint8_t pin, bool is_up);
void board_pulse(uint8_t pin, int32_t share);         // up for so much of the time, of 10000
void board_servo(uint8_t pin, int32_t width_us);      // a pulse every 20 ms; 0 is none
void board_step(uint8_t pin);                         // up and down again
int32_t board_analogue(uint8_t pin);                  // as it reads
int32_t board_count(uint8_t pin_a, uint8_t pin_b);    // pulses of an encoder so far, up and down
int32_t board_echo(uint8_t trigger, uint8_t pin);     // thousandths of a centimetre
void board_show(uint8_t output, bool is_on);          // on a display
void board_alive(void);                               // once a scan: the heartbeat lamp, the watchdog
void board_print(char sign);                          // one sign of what it says
int board_hear(void);                                 // one sign that it is told, or -1
uint32_t board_ms(void);
uint32_t board_us(void);

#endif
