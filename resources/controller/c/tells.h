// What the routines tell, keep and ask of the time of day.
#ifndef TELLS_H
#define TELLS_H

#include <stdbool.h>
#include <stdint.h>

void board_says(uint8_t what, uint16_t number, int32_t value); // 0 step begins, 1 is done, 2 gave up; 3 routine starts, 4 ends, 5 fails; 6 counts; 7 rule broken
void board_keep(uint8_t counter, int32_t value);               // over a power cut
int32_t board_kept(uint8_t counter, int32_t otherwise);
uint32_t board_day(void);                                      // milliseconds since midnight

#endif
