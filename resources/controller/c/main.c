// The main loop: motors as often as can be, the routines once a scan.
#include "board.h"
#include "drives.h"
#include "made.h"
#include "routine.h"
#include "says.h"

int main(void)
{
    board_begin();
    drive_begin();
    says_hello();
    uint32_t due = board_ms();
    begin(due);
    for (;;) {
        drive_run(board_ms(), board_us());
        if ((int32_t)(board_ms() - due) >= 0) {
            scan(due);
            due += SCAN_EVERY_MS;
            board_alive();
            says_listen();
        }
    }
}
