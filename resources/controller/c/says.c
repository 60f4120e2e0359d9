// What the program says while it runs: a line of JSON for everything that happens. And what it is told by hand while somebody is wiring.
#include "says.h"

#include "board.h"
#include "drives.h"
#include "made.h"
#include "routine.h"
#include "tells.h"

static char told[24];
static uint8_t signs;

static void text(const char *words)
{
    while (*words != '\0') {
        board_print(*words++);
    }
}

static void number(int32_t value)
{
    char digits[11];
    uint8_t count = 0;
    uint32_t left = value < 0 ? 0u - (uint32_t)value : (uint32_t)value;
    if (value < 0) {
        board_print('-');
    }
    do {
        digits[count++] = (char)('0' + left % 10);
        left /= 10;
    } while (left > 0);
    while (count > 0) {
        board_print(digits[--count]);
    }
}

static void pair(const char *name, int32_t value)
{
    text(",\"");
    text(name);
    text("\":");
    number(value);
}

static void line(void)
{
    text("{\"ms\":");
    number((int32_t)board_ms());
}

void says_hello(void)
{
    line();
    pair("program", PROGRAM);
    text("}\n");
}

void board_says(uint8_t what, uint16_t of, int32_t value)
{
    line();
    if (what <= 2) {
        pair("step", of);
        text(what == 0 ? ",\"is\":\"begun\"" : what == 1 ? ",\"is\":\"done\"" : ",\"is\":\"given_up\"");
    } else if (what <= 5) {
        pair("routine", of);
        text(what == 3 ? ",\"is\":\"started\"" : what == 4 ? ",\"is\":\"ended\"" : ",\"is\":\"failed\"");
    } else if (what == 6) {
        pair("counter", of);
        pair("count", value);
    } else {
        pair("rule", of);
        text(",\"is\":\"broken\"");
    }
    text("}\n");
}

static void look(void)
{
    line();
    text(",\"inputs\":[");
    for (int i = 0; i < INPUT_COUNT; i++) {
        text(i == 0 ? "" : ",");
        number(drive_input((uint8_t)i) ? 1 : 0);
    }
    text("],\"levels\":[");
    for (int l = 0; l < LEVEL_COUNT; l++) {
        text(l == 0 ? "" : ",");
        number(drive_level((uint8_t)l));
    }
    text("],\"positions\":[");
    for (int m = 0; m < MOTION_COUNT; m++) {
        text(m == 0 ? "" : ",");
        number(drive_position((uint8_t)m));
    }
    text("]}\n");
}

// up 0, down 0, stop 0, go 0 12000, start 0, on 0, off 0, tell 0 1, look
static void obey(void)
{
    uint8_t at = 0;
    int32_t of[2] = {0, 0};
    while (told[at] > ' ') {
        at++;
    }
    uint8_t words = at;
    for (uint8_t n = 0; n < 2; n++) {
        bool below = false;
        while (told[at] == ' ') {
            at++;
        }
        if (told[at] == '-') {
            below = true;
            at++;
        }
        while (told[at] >= '0' && told[at] <= '9') {
            of[n] = of[n] * 10 + (told[at++] - '0');
        }
        of[n] = below ? -of[n] : of[n];
    }
    int32_t asked = of[0] < 0 ? 255 : of[0];
    uint8_t which = (uint8_t)asked;
    switch (words > 0 ? told[words > 1 ? 1 : 0] : ' ') {
    case 'p': // up
        asked < MOTION_COUNT ? drive_push(which, 1, 5000) : (void)0;
        break;
    case 'o': // down, look, go
        if (told[0] == 'd') {
            asked < MOTION_COUNT ? drive_push(which, -1, 5000) : (void)0;
        } else if (told[0] == 'g') {
            asked < MOTION_COUNT ? drive_send(which, of[1], 5000) : (void)0;
        } else {
            look();
        }
        break;
    case 't': // stop, start
        if (words > 2 && told[2] == 'a') {
            asked < ROUTINE_COUNT ? begin_routine(which) : (void)0;
        } else {
            asked < MOTION_COUNT ? drive_stop(which, 0) : (void)0;
        }
        break;
    case 'e': // tell
        asked < INPUT_COUNT ? drive_hear(which, of[1] != 0) : (void)0;
        break;
    case 'n': // on
        asked < OUTPUT_COUNT ? drive_output(which, true, 50) : (void)0;
        break;
    case 'f': // off
        asked < OUTPUT_COUNT ? drive_output(which, false, 50) : (void)0;
        break;
    default:
        line();
        text(",\"understood\":false}\n");
    }
}

void says_listen(void)
{
    for (int sign = board_hear(); sign >= 0; sign = board_hear()) {
        if (sign == '\n' || sign == '\r') {
            if (signs > 0) {
                told[signs] = '\0';
                obey();
            }
            signs = 0;
        } else if (signs < sizeof told - 1) {
            told[signs++] = (char)sign;
        }
    }
}
