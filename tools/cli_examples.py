#!/usr/bin/env python3
"""Fills the examples of docs/cli.md that show their output with what the command prints now."""
import os
import re
import shlex
import subprocess

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
PAGE = os.path.join(ROOT, "docs", "cli.md")
CLI = os.path.join(ROOT, "build", "check", "yokestep-cli")


def filled(match):
    command, shown = match.group(1), match.group(2)
    if not shown.strip():
        return match.group(0)
    out = subprocess.run([CLI] + shlex.split(command), cwd=ROOT, capture_output=True, text=True).stdout
    lines = [line.rstrip() for line in out.splitlines()]
    return "```\n$ yokestep-cli " + command + "\n" + "\n".join(lines) + "\n```"


with open(PAGE, encoding="utf-8") as f:
    text = f.read()
text = re.sub(r"```\n\$ yokestep-cli ([^\n]*)\n((?:(?!```)[^\n]*\n)*)```", filled, text)
with open(PAGE, "w", encoding="utf-8") as f:
    f.write(text)
