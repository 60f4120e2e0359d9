// A board that tells what its pins are told: lines in, lines out. `run MS` lets time go on; `pin P V` and `reading P V` are what it reads; `count N` what its
// encoders have counted.
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "board.h"
#include "drives.h"

static bool up[256];
static long reads[256], counted;
static unsigned long now_us;

void board_begin(void) {}
void board_output(uint8_t pin) { printf("output %d\n", pin); }
void board_input(uint8_t pin, bool pulled) { printf("input %d %d\n", pin, pulled); }
bool board_read(uint8_t pin) { return up[pin]; }
void board_write(uint8_t pin, bool is_up) { printf("write %d %d\n", pin, is_up); }
void board_pulse(uint8_t pin, int32_t share) { printf("pulse %d %ld\n", pin, (long)share); }
void board_servo(uint8_t pin, int32_t us) { printf("servo %d %ld\n", pin, (long)us); }
void board_step(uint8_t pin) { printf("step %d\n", pin); }
int32_t board_analogue(uint8_t pin) { return (int32_t)reads[pin]; }
int32_t board_count(uint8_t a, uint8_t b) { (void)a; (void)b; return (int32_t)counted; }
int32_t board_echo(uint8_t trigger, uint8_t pin) { (void)trigger; return (int32_t)reads[pin]; }
void board_show(uint8_t output, bool is_on) { printf("show %d %d\n", output, is_on); }
void board_alive(void) {}
void board_print(char sign) { (void)sign; }
int board_hear(void) { return -1; }
uint32_t board_ms(void) { return (uint32_t)(now_us / 1000); }
uint32_t board_us(void) { return (uint32_t)now_us; }

static void run(long ms)
{
    for (long i = 0; i < ms * 4; i++) {
        now_us += 250;
        drive_run(board_ms(), board_us());
    }
}

int main(void)
{
    char line[256];
    while (fgets(line, sizeof line, stdin) != NULL) {
        const char *what = strtok(line, " \n");
        long of[3] = {0, 0, 0};
        for (int i = 0; i < 3; i++) {
            const char *word = strtok(NULL, " \n");
            of[i] = word == NULL ? 0 : atol(word);
        }
        uint8_t m = (uint8_t)of[0];
        if (strcmp(what, "begin") == 0) {
            drive_begin();
            run(1);
        } else if (strcmp(what, "push") == 0) {
            drive_push(m, (int32_t)of[1], (int32_t)of[2]);
        } else if (strcmp(what, "send") == 0) {
            drive_send(m, (int32_t)of[1], (int32_t)of[2]);
        } else if (strcmp(what, "stop") == 0) {
            drive_stop(m, (uint8_t)of[1]);
        } else if (strcmp(what, "found") == 0) {
            drive_found(m, (int32_t)of[1]);
        } else if (strcmp(what, "out") == 0) {
            drive_output(m, of[1] != 0, (uint32_t)of[2]);
        } else if (strcmp(what, "hear") == 0) {
            drive_hear(m, of[1] != 0);
        } else if (strcmp(what, "run") == 0) {
            run(of[0]);
        } else if (strcmp(what, "pin") == 0) {
            up[m] = of[1] != 0;
        } else if (strcmp(what, "reading") == 0) {
            reads[m] = of[1];
        } else if (strcmp(what, "count") == 0) {
            counted = of[0];
        } else if (strcmp(what, "ask") == 0) {
            printf("input %d\nlevel %ld\nstill %d\narrived %d\nmoving %d\nposition %ld\nspeed %ld\n", drive_input(m), (long)drive_level(m), drive_still(m), drive_arrived(m),
                   drive_moving(m), (long)drive_position(m), (long)drive_speed(m));
        }
    }
    return 0;
}
