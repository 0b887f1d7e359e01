# Beacon: a lamp on D13 keeps its light character.
import board
import digitalio
import time

lamp = digitalio.DigitalInOut(board.D13)
lamp.direction = digitalio.Direction.OUTPUT

while True:
    lamp.value = True   # lit
    time.sleep(0.5)
    lamp.value = False  # dark
    time.sleep(0.25)
