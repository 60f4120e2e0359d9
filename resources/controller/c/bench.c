// Stands in for board and motors: what is asked of them goes out as lines, what they answer comes in as lines. One scan for each line that comes; its last
// line is a dot, for how long nothing happens by time alone, and whether that hangs on how motions stand.
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "drives.h"
#include "routine.h"
#include "tells.h"

#define MOST 256

static char still[MOST], arrived[MOST], moving[MOST], feels[MOST], inputs[1024];
static long position[MOST], speed[MOST], level[1024];
static unsigned long day;
static long kept[MOST];
static bool is_kept[MOST];
static bool of_motion, of_day; // it asked for what changes by itself

void drive_push(uint8_t m, int32_t way, int32_t share) { printf("push %d %ld %ld\n", m, (long)way, (long)share); }
void drive_send(uint8_t m, int32_t to, int32_t share) { printf("send %d %ld %ld\n", m, (long)to, (long)share); }
void drive_stop(uint8_t m, uint8_t how) { printf("stop %d %d\n", m, how); }
void drive_power(uint8_t m, bool is_on) { printf("power %d %d\n", m, is_on); }
void drive_found(uint8_t m, int32_t at) { printf("found %d %ld\n", m, (long)at); }
void drive_is_at(uint8_t m, bool is_known, int32_t at) { printf("at %d %d %ld\n", m, is_known, (long)at); }
void drive_couples(uint8_t m, bool is_done) { printf("couple %d %d\n", m, is_done); }
void drive_takes(uint8_t m, uint8_t thing) { printf("take %d %d\n", m, thing); }
bool drive_still(uint8_t m) { of_motion = true; return still[m] == '1'; }
bool drive_arrived(uint8_t m) { of_motion = true; return arrived[m] == '1'; }
bool drive_moving(uint8_t m) { of_motion = true; return moving[m] == '1'; }
bool drive_feels(uint8_t m) { return feels[m] == '1'; }
int32_t drive_position(uint8_t m) { of_motion = true; return (int32_t)position[m]; }
int32_t drive_speed(uint8_t m) { of_motion = true; return (int32_t)speed[m]; }
bool drive_input(uint8_t i) { return inputs[i] == '1'; }
int32_t drive_level(uint8_t l) { return (int32_t)level[l]; }
void drive_output(uint8_t o, bool is_on, uint32_t coil_ms) { printf("output %d %d %lu\n", o, is_on, (unsigned long)coil_ms); }
void board_says(uint8_t what, uint16_t number, int32_t value) { printf("says %d %d %ld\n", what, number, (long)value); }
uint32_t board_day(void) { of_day = true; return (uint32_t)day; }
int32_t board_kept(uint8_t counter, int32_t otherwise) { return is_kept[counter] ? (int32_t)kept[counter] : otherwise; }

void board_keep(uint8_t counter, int32_t value)
{
    kept[counter] = value;
    is_kept[counter] = true;
    printf("keep %d %ld\n", counter, (long)value);
}

static void fill(char *row, size_t most)
{
    const char *word = strtok(NULL, " \n");
    if (word != NULL && strlen(word) < most) {
        strcpy(row, word);
    }
}

static void numbers(long *row, size_t most)
{
    size_t count = (size_t)atol(strtok(NULL, " \n"));
    for (size_t i = 0; i < count && i < most; i++) {
        row[i] = atol(strtok(NULL, " \n"));
    }
}

// begin|scan|start|keep …; what is seen: ms, day, then inputs, still, arrived, moving, feels, readings, positions, speeds
int main(void)
{
    static char line[1 << 16];
    while (fgets(line, sizeof line, stdin) != NULL) {
        const char *what = strtok(line, " \n");
        if (what == NULL) {
            continue;
        }
        if (strcmp(what, "start") == 0) {
            begin_routine((uint8_t)atol(strtok(NULL, " \n")));
        } else if (strcmp(what, "kept") == 0) {
            size_t counter = (size_t)atol(strtok(NULL, " \n"));
            kept[counter % MOST] = atol(strtok(NULL, " \n"));
            is_kept[counter % MOST] = true;
        } else {
            uint32_t at_ms = (uint32_t)strtoul(strtok(NULL, " \n"), NULL, 10);
            day = strtoul(strtok(NULL, " \n"), NULL, 10);
            fill(inputs, sizeof inputs);
            fill(still, sizeof still);
            fill(arrived, sizeof arrived);
            fill(moving, sizeof moving);
            fill(feels, sizeof feels);
            numbers(level, sizeof level / sizeof level[0]);
            numbers(position, MOST);
            numbers(speed, MOST);
            strcmp(what, "begin") == 0 ? begin(at_ms) : scan(at_ms);
        }
        printf(". %lu %d\n", of_day ? 0 : (unsigned long)rests_for(), of_motion);
        of_motion = of_day = false;
        fflush(stdout);
    }
    return 0;
}
