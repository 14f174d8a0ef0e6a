#!/usr/bin/python3
"""Writes the system of plain.json as a job file, every value stated."""
import json
import pathlib

P = json.loads((pathlib.Path(__file__).parent / "plain.json").read_text())
found = {}


def put(key, value, unit="m"):
    found[key] = {"how": "stated", unit: value}


for key in ("pad_arm", "pin_arm", "axis_height", "offset", "rod_length", "rod_clearance", "pad_stop"):
    put("control." + key, P[key + "_m"])
put("control.rest_angle", P["rest_angle_rad"], "rad")
put("control.return_force", P["return_force_N"], "N")
put("control.efficiency", P["pivot_efficiency"], "value")
put("assist.kind", "none", "option")
put("master.kind", "tandem", "option")
put("master.bore", P["bore_m"])
put("master.stroke1", P["stroke1_m"])
put("master.stroke2", P["stroke2_m"])
put("master.cutoff1", P["cutoff_m"])
put("master.cutoff2", P["cutoff_m"])
put("master.spring_force", P["spring_N"], "N")
put("master.efficiency", P["seal_efficiency"], "value")
put("front.kind", "sliding", "option")
put("front.piston", P["front_piston_m"])
put("front.radius", 0.101)
put("front.clearance", P["front_clearance_m"])
put("rear.kind", "drum", "option")
put("rear.cylinder", P["rear_cylinder_m"])
put("rear.drum", 0.2286)
put("rear.shoe_clearance", P["rear_clearance_m"])
for axle in ("front", "rear"):
    put(axle + ".tube", 2 * P[axle + "_tube_m"])
    put(axle + ".hose", 2 * P[axle + "_hose_m"])
    put(axle + ".tyre", 0.298)
for wheel, outlet in (("fl", "1"), ("fr", "1"), ("rl", "2"), ("rr", "2")):
    put("circuit." + wheel, outlet, "option")
print(json.dumps({"format": "yoke-job", "version": 1, "minimum_reader": 1, "title": "Plain",
                  "vehicle": "", "notes": "", "found": found, "plan": {}, "built": {}}))
