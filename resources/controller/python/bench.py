# Stands in for board and motors: what is asked of them is gathered as lines, what they answer comes in as lines.
import sys

out = []
asked = []  # what changes by itself: of motions, of the day
routine = None
kept = {}
seen = {"day": 0, "inputs": "", "still": "", "arrived": "", "moving": "", "feels": "", "level": [], "position": [], "speed": []}


class Drives:
    def drive_push(self, m, way, speed):
        out.append("push %d %d %d" % (m, way, speed))

    def drive_send(self, m, to, speed):
        out.append("send %d %d %d" % (m, to, speed))

    def drive_stop(self, m, how):
        out.append("stop %d %d" % (m, how))

    def drive_power(self, m, is_on):
        out.append("power %d %d" % (m, is_on))

    def drive_found(self, m, at):
        out.append("found %d %d" % (m, at))

    def drive_is_at(self, m, is_known, at):
        out.append("at %d %d %d" % (m, is_known, at))

    def drive_couples(self, m, is_done):
        out.append("couple %d %d" % (m, is_done))

    def drive_takes(self, m, thing):
        out.append("take %d %d" % (m, thing))

    def drive_still(self, m):
        asked.append("motion")
        return seen["still"][m] == "1"

    def drive_arrived(self, m):
        asked.append("motion")
        return seen["arrived"][m] == "1"

    def drive_moving(self, m):
        asked.append("motion")
        return seen["moving"][m] == "1"

    def drive_feels(self, m):
        return seen["feels"][m] == "1"

    def drive_position(self, m):
        asked.append("motion")
        return seen["position"][m]

    def drive_speed(self, m):
        asked.append("motion")
        return seen["speed"][m]

    def drive_input(self, i):
        return seen["inputs"][i] == "1"

    def drive_level(self, l):
        return seen["level"][l]

    def drive_output(self, o, is_on, coil_ms):
        out.append("output %d %d %d" % (o, is_on, coil_ms))

    def scaled(self, a, b, c):
        whole = abs(a * b) // abs(c)
        return whole if (a * b < 0) == (c < 0) else -whole


class Tells:
    def board_says(self, what, number, value):
        out.append("says %d %d %d" % (what, number, value))

    def board_keep(self, counter, value):
        kept[counter] = value
        out.append("keep %d %d" % (counter, value))

    def board_kept(self, counter, otherwise):
        return kept.get(counter, otherwise)

    def board_day(self):
        asked.append("day")
        return seen["day"]


def restart():
    global routine
    kept.clear()
    sys.modules.pop("routine", None)
    sys.modules["drives"] = Drives()
    sys.modules["tells"] = Tells()
    import routine


def numbers(words):
    count = int(words.pop(0))
    row = [int(word) for word in words[:count]]
    del words[:count]
    return row


# restart|begin|scan|start|kept …; what is seen: ms, day, then inputs, still, arrived, moving, feels, readings, positions, speeds
def answer(line):
    out.clear()
    asked.clear()
    words = line.split()
    what = words.pop(0)
    if what == "restart":
        restart()
    elif what == "start":
        routine.begin_routine(int(words[0]))
    elif what == "kept":
        kept[int(words[0])] = int(words[1])
    else:
        at_ms = int(words.pop(0))
        seen["day"] = int(words.pop(0))
        for name in ("inputs", "still", "arrived", "moving", "feels"):
            seen[name] = words.pop(0)
        for name in ("level", "position", "speed"):
            seen[name] = numbers(words)
        routine.begin(at_ms) if what == "begin" else routine.scan(at_ms)
    out.append(". %d %d" % (0 if "day" in asked or routine is None else routine.rests_for(), "motion" in asked))
    return "\n".join(out)
