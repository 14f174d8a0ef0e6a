#!/usr/bin/env python3
"""Writes docs/model/judging.md from the rule book; a test holds the page against it."""
import json
import os
import subprocess

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
CLI = os.path.join(ROOT, "build", "check", "yokestep-cli")
HEAD = """# Judging

Every limit is one rule, judged once after each edit; strip, map, figures, findings, gates, sheet and command line read the same list. A rule says
one of:

- **holds**: every value that decides it was measured on the very thing, or stated by its maker;
- **holds if typical**: the sums pass, but a value that is typical, guessed, or taken over from a unit that the plan replaces decides: with it at
  an end of its range (20 % for a typical value, its ± for a guess; one at a time) the rule would fail. The value is named: measured, it settles the
  rule;
- **cannot say**: something that it needs is not known, and is named;
- **fails**: by how much, and against which limit;
- **does not apply**.

What is said of several is the worst of them. A pressure that nobody asked for is no target: what passes at it holds if typical.

The rules of a press are judged for each condition (as found, plan, assist lost, a circuit lost, hot, air left in it); CONDITION in the table stands
for its key. "Builder's wish" is a limit that the job sets; its usual value stands in the table of parameters.

| rule | when it fails | asked of | what must hold | limit | source of the limit |
|---|---|---|---|---|---|
"""

rows = json.loads(subprocess.run([CLI, "rules", "--format", "json"], capture_output=True, text=True, check=True).stdout)["rows"]
with open(os.path.join(ROOT, "docs", "model", "judging.md"), "w", encoding="utf-8") as f:
    f.write(HEAD)
    for r in rows:
        f.write("| `%s` | %s | %s | %s | %s | %s |\n" % (r["rule"], r["severity"], r["asked_of"], r["what"], r["limit"], r["source"]))
