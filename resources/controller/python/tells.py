# What the program says while it runs: a line of JSON for everything that happens. And what it is told by hand while somebody is wiring.
from board import board_day, board_hear, board_keep, board_kept, board_ms, board_print
from made import INPUT_COUNT, LEVEL_COUNT, MOTION_COUNT, OUTPUT_COUNT, PROGRAM, ROUTINE_COUNT
import drives

IS = ("begun", "done", "given_up", "started", "ended", "failed")
heard = ""


def says_hello():
    board_print('{"ms":%d,"program":%d}\n' % (board_ms(), PROGRAM))


def board_says(what, number, value):
    if what <= 2:
        board_print('{"ms":%d,"step":%d,"is":"%s"}\n' % (board_ms(), number, IS[what]))
    elif what <= 5:
        board_print('{"ms":%d,"routine":%d,"is":"%s"}\n' % (board_ms(), number, IS[what]))
    elif what == 6:
        board_print('{"ms":%d,"counter":%d,"count":%d}\n' % (board_ms(), number, value))
    else:
        board_print('{"ms":%d,"rule":%d,"is":"broken"}\n' % (board_ms(), number))


def look():
    inputs = ",".join("1" if drives.drive_input(i) else "0" for i in range(INPUT_COUNT))
    levels = ",".join(str(drives.drive_level(l)) for l in range(LEVEL_COUNT))
    positions = ",".join(str(drives.drive_position(m)) for m in range(MOTION_COUNT))
    board_print('{"ms":%d,"inputs":[%s],"levels":[%s],"positions":[%s]}\n' % (board_ms(), inputs, levels, positions))


# up 0, down 0, stop 0, go 0 12000, start 0, on 0, off 0, tell 0 1, look
def obey(line, begin_routine):
    words = line.split()
    try:
        what, of = words[0], [int(word) for word in words[1:]] + [0]
    except (ValueError, IndexError):
        what, of = "", [0]
    most = {"up": MOTION_COUNT, "down": MOTION_COUNT, "stop": MOTION_COUNT, "go": MOTION_COUNT, "start": ROUTINE_COUNT, "on": OUTPUT_COUNT, "off": OUTPUT_COUNT, "tell": INPUT_COUNT}
    if what == "look":
        look()
    elif not 0 <= of[0] < most.get(what, 0):
        board_print('{"ms":%d,"understood":false}\n' % board_ms())
    elif what in ("up", "down"):
        drives.drive_push(of[0], 1 if what == "up" else -1, 5000)
    elif what == "tell":
        drives.drive_hear(of[0], of[1] != 0)
    elif what == "go":
        drives.drive_send(of[0], of[1], 5000)
    elif what == "stop":
        drives.drive_stop(of[0], 0)
    elif what == "start":
        begin_routine(of[0])
    else:
        drives.drive_output(of[0], what == "on", 50)


def says_listen(begin_routine):
    global heard
    sign = board_hear()
    while sign:
        if sign in "\r\n":
            if heard:
                obey(heard, begin_routine)
            heard = ""
        elif len(heard) < 24:
            heard += sign
        sign = board_hear()
