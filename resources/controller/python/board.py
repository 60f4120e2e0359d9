# The board: pins by their figures. What it keeps over a power cut lies in a file.
import json
import sys
import time
from machine import ADC, I2C, PWM, Pin, time_pulse_us

try:
    import select
except ImportError:
    select = None

from pins import DAY_STARTS_MS, EXPANDERS, PINS

KEPT = "kept.json"
pins = {}
pulses = {}
analogues = {}
counted = {}
before = {}
lent = [0xFFFF] * len(EXPANDERS)
bus = I2C(0) if EXPANDERS else None
try:
    with open(KEPT) as file:
        kept = json.load(file)
except (OSError, ValueError):
    kept = {}


def scaled(a, b, c):
    whole = abs(a * b) // abs(c)
    return whole if (a * b < 0) == (c < 0) else -whole


# Plain port expanders take one byte for each eight channels, and give them back the same way. One that wants registers needs its own words here.
def lend(expander):
    bus.writeto(EXPANDERS[expander], bytes((lent[expander] & 0xFF, lent[expander] >> 8)))


def board_begin():
    pass


def board_output(pin):
    expander, figure = PINS[pin]
    if expander == 0:
        pins[pin] = Pin(figure, Pin.OUT, value=0)
    else:
        board_write(pin, False)


def board_input(pin, is_pulled_up):
    expander, figure = PINS[pin]
    if expander > 0:
        board_write(pin, True)
    elif is_pulled_up:
        pins[pin] = Pin(figure, Pin.IN, Pin.PULL_UP)
    else:
        pins[pin] = Pin(figure, Pin.IN)


def board_read(pin):
    expander, figure = PINS[pin]
    if expander > 0:
        low, high = bus.readfrom(EXPANDERS[expander - 1], 2)
        return ((low | high << 8) >> (figure - 1)) & 1 == 1
    return pins[pin].value() == 1


def board_write(pin, is_up):
    expander, figure = PINS[pin]
    if expander > 0:
        bit = 1 << (figure - 1)
        lent[expander - 1] = lent[expander - 1] | bit if is_up else lent[expander - 1] & ~bit
        lend(expander - 1)
    else:
        pins[pin].value(1 if is_up else 0)


def pulsed(pin, rate):
    if pin not in pulses:
        pulses[pin] = PWM(Pin(PINS[pin][1]), freq=rate)
    return pulses[pin]


def board_pulse(pin, share):
    pulsed(pin, 1000).duty_u16(share * 65535 // 10000)


def board_servo(pin, width_us):
    pulsed(pin, 50).duty_ns(width_us * 1000)


def board_step(pin):
    pins[pin].value(1)
    time.sleep_us(2)
    pins[pin].value(0)


def board_analogue(pin):
    if pin not in analogues:
        analogues[pin] = ADC(Pin(PINS[pin][1]))
    return analogues[pin].read_u16() >> 6


# Looked at each time it is asked: for fast encoders let an interrupt on both pins do the same.
def board_count(pin_a, pin_b):
    now = pins[pin_a].value() * 2 + pins[pin_b].value()
    was = before.get(pin_a, now)
    if now == 2 and was == 0:
        counted[pin_a] = counted.get(pin_a, 0) + 1
    elif now == 0 and was == 2:
        counted[pin_a] = counted.get(pin_a, 0) - 1
    before[pin_a] = now
    return counted.get(pin_a, 0)


def board_echo(trigger, pin):
    pins[trigger].value(1)
    time.sleep_us(10)
    pins[trigger].value(0)
    return max(0, time_pulse_us(pins[pin], 1, 30000)) * 1000 // 58


def board_show(output, is_on):
    pass


def board_alive():
    pass


def board_print(text):
    sys.stdout.write(text)


def board_hear():
    if select is None or not select.select([sys.stdin], [], [], 0)[0]:
        return ""
    return sys.stdin.read(1)


started_ms = time.ticks_ms()
whole_ms = 0


def board_ms():
    global started_ms, whole_ms
    now = time.ticks_ms()
    whole_ms += time.ticks_diff(now, started_ms)
    started_ms = now
    return whole_ms


started_us = time.ticks_us()
whole_us = 0


def board_us():
    global started_us, whole_us
    now = time.ticks_us()
    whole_us += time.ticks_diff(now, started_us)
    started_us = now
    return whole_us


def board_day():
    return (DAY_STARTS_MS + board_ms()) % 86400000


def board_keep(counter, value):
    kept[str(counter)] = value
    with open(KEPT, "w") as file:
        json.dump(kept, file)


def board_kept(counter, otherwise):
    return kept.get(str(counter), otherwise)
