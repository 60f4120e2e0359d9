# The main loop: motors as often as can be, the routines once a scan.
from board import board_alive, board_begin, board_ms, board_us
from drives import drive_begin, drive_run
from made import SCAN_EVERY_MS
from routine import begin, begin_routine, scan
from tells import says_hello, says_listen

board_begin()
drive_begin()
says_hello()
due = board_ms()
begin(due)
while True:
    drive_run(board_ms(), board_us())
    if board_ms() - due >= 0:
        scan(due)
        due += SCAN_EVERY_MS
        board_alive()
        says_listen(begin_routine)
