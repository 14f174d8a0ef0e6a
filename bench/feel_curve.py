#!/usr/bin/python3
"""One feel curve as a plain SciPy script: the equations of docs/model written down once more.

Prints the time of one curve of 256 points. With --against FILE, a JSON curve from
`yokestep-cli curve … --format json`, prints the largest difference as well.
"""
import argparse
import json
import math
import pathlib
import time

import numpy as np
from scipy.optimize import brentq

P = json.loads((pathlib.Path(__file__).parent / "plain.json").read_text())
PSI = 6894.757293168361


def smooth(u):
    u = min(1.0, max(0.0, u))
    return u * u * (3 - 2 * u)


def hose(length, p):
    knee = 1000 * PSI
    first = 0.66e-6 / 0.3048 * 0.30 * length / knee
    then = (0.79e-6 - 0.66e-6) / 0.3048 * 0.30 * length / (0.5 * knee)
    return first * min(p, knee) + then * max(0.0, p - knee)


def tube(length, p):
    ro, ri, e, nu = 0.0047625 / 2, 0.0047625 / 2 - 0.00071, 205e9, 0.29
    v = math.pi * ri * ri * length
    return v * p * (3 * (1 - 2 * nu) * ri**2 + 2 * (1 + nu) * ro**2) / (e * (ro**2 - ri**2))


def content(tube_m, hose_m, area):
    ri = 0.0047625 / 2 - 0.00071
    return math.pi * ri**2 * tube_m + math.pi / 4 * 0.003175**2 * hose_m + area * 0.006


def wheel(p, rear):
    if rear:
        a = math.pi / 4 * P["rear_cylinder_m"] ** 2
        v = 2 * a * P["rear_clearance_m"] * smooth((p - 0.25e6) / 0.25e6)
        v += 50e-9 / 1e6 * (2 * a / 570e-6) * p
        tube_m, hose_m, all_area = P["rear_tube_m"], P["rear_hose_m"], 2 * a
    else:
        a = math.pi / 4 * P["front_piston_m"] ** 2
        s = a / 2290e-6
        v = a * P["front_clearance_m"] * smooth(p / 0.15e6)
        v += s * (110e-15 * p + 180e-15 * 1.5e6 * (1 - math.exp(-p / 1.5e6)))
        tube_m, hose_m, all_area = P["front_tube_m"], P["front_hose_m"], a
    v += tube(tube_m, p) + hose(hose_m, p)
    return v + content(tube_m, hose_m, all_area) * p / 1.7e9


def ball(a):
    e = P["pin_arm_m"] * math.cos(a) - P["axis_height_m"]
    reach = math.sqrt(P["rod_length_m"] ** 2 - e * e - P["offset_m"] ** 2)
    return P["pin_arm_m"] * math.sin(a) + reach


def slope(a):
    r = P["pin_arm_m"]
    e = r * math.cos(a) - P["axis_height_m"]
    reach = math.sqrt(P["rod_length_m"] ** 2 - e * e - P["offset_m"] ** 2)
    return r * math.cos(a) + e * r * math.sin(a) / reach


def point(p):
    """Pad travel and force at an outlet pressure."""
    area = math.pi / 4 * P["bore_m"] ** 2
    v = 2 * wheel(p, False) + 2 * wheel(p, True)
    x = P["rod_clearance_m"] + 2 * P["cutoff_m"] + v / area
    a0 = P["rest_angle_rad"]
    a1 = a0 + P["pad_stop_m"] / P["pad_arm_m"]
    a = brentq(lambda t: ball(t) - ball(a0) - x, a0, a1, xtol=1e-12)
    rod = p * area / P["seal_efficiency"] + P["spring_N"]
    ratio = P["pad_arm_m"] / slope(a)
    return P["pad_arm_m"] * (a - a0), P["return_force_N"] + rod / ratio / P["pivot_efficiency"]


def curve(end_pa, points=256):
    return np.array([point(end_pa * (i / (points - 1)) ** 2) for i in range(points)])


def main():
    words = argparse.ArgumentParser()
    words.add_argument("--against", help="a curve in JSON")
    words.add_argument("--end", type=float, default=4e6, help="largest pressure, Pa")
    args = words.parse_args()
    difference = None
    if args.against:
        rows = json.load(open(args.against))["rows"]
        # The free part has no pressure; the rest is compared at its own pressures.
        rows = [r for r in rows if r["pressure_Pa"] > 0]
        args.end = rows[-1]["pressure_Pa"]
        difference = [
            (abs(s - r["travel_m"]), abs(f - r["force_N"]))
            for r in rows for s, f in [point(r["pressure_Pa"])]
        ]
    best = min(timed(args.end) for _ in range(5))
    print(f"scipy_us {best * 1e6:.0f}")
    if difference:
        print(f"largest_difference_m {max(d[0] for d in difference):.3g}")
        print(f"largest_difference_N {max(d[1] for d in difference):.3g}")


def timed(end):
    start = time.perf_counter()
    curve(end)
    return time.perf_counter() - start


if __name__ == "__main__":
    main()
