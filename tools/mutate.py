#!/usr/bin/env python3
"""Breaks the code on purpose, one small break at a time, and tells which breaks the tests notice.

  tools/mutate.py [--seed 1] [--count 120] [--folders core/judge,core/proving,...] [--list] [--write docs/mutation.md]

Works on a copy of the sources in build/mutate, so the tree itself is never touched. A break is one of:
a comparison flipped (or moved by one, of what is counted), a number off by one, "and" for "or", yes for no, an outlet or a
wheel for another, a statement removed. A break that does not compile is not counted. It is noticed
when a test of the core, the files or the session fails, or does not end.
"""
import argparse
import collections
import filecmp
import os
import random
import re
import shutil
import subprocess
import sys

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
WORK = os.path.join(ROOT, "build", "mutate")
COPY = os.path.join(WORK, "src")
BUILD = os.path.join(WORK, "build")
TESTS = ("test_core", "test_session", "test_files")
QUICK = (("test_core", "[golden]"), ("test_files", "the demo jobs give the answers that were stored"), ("test_session", "[golden]"))
FOLDERS = ("core/judge", "core/proving", "core/work", "core/plumbing", "core/strip", "core/rod",
           "core/survey", "core/sizing", "session/sheet.cpp", "session/stage_views.cpp")

SWAPS = [
    (r"(?<![<>=!\-])<(?![<=])(?= )", ["<=", ">"]), (r"<=", ["<", ">"]), (r"(?<![->=<])>(?![>=])(?= )", [">=", "<"]),
    (r">=", [">", "<"]), (r"==", ["!="]), (r"!=", ["=="]), (r"&&", ["||"]), (r"\|\|", ["&&"]),
    (r"\btrue\b", ["false"]), (r"\bfalse\b", ["true"]), (r" \+ (?=[\w(])", [" - "]), (r" - (?=[\w(])", [" + "]),
    (r"\bOutlet::primary\b", ["Outlet::secondary"]), (r"\bOutlet::secondary\b", ["Outlet::primary"]),
    (r"\bAxle::front\b", ["Axle::rear"]), (r"\bAxle::rear\b", ["Axle::front"]),
    (r"\bAs::plan\b", ["As::found"]), (r"\bAs::found\b", ["As::plan"]),
    (r"\bSeverity::hard\b", ["Severity::warning"]), (r"\bGateState::(passed|failed|open)\b", None),
    (r"\bVerdict::(pass|fail)\b", None), (r"(?<=if \()(?=[^;]*\)$)", ["!"]),
    (r"(?<![\w.])(\d+)(?![\w.])", "number"),
]
STATEMENT = re.compile(r"^\s+[A-Za-z_][\w.>\-\[\]():]*(\s[+\-]?=\s|\+\+|\().*;\s*$")


def code_lines(text):
    """Lines that hold code: no comments, includes, or strings of words alone."""
    for number, line in enumerate(text.split("\n")):
        bare = line.strip()
        if not bare or bare.startswith(("//", "#", "using ", "namespace", "}", "*", '"')):
            continue
        if STARTING.search(line):
            continue
        yield number, line


def outside_strings(line):
    """The line with what stands in quotes blanked, so that words are not broken."""
    return re.sub(r'"(?:\\.|[^"\\])*"', lambda m: '"' + " " * (len(m.group(0)) - 2) + '"', line).split("//")[0]


# What says nothing of tests: a starting value that is set before it is read, the least width of a printed number.
STARTING = re.compile(r"^\s*(bool|int|double|std::size_t)\s+\w+ = (0|0\.0|1|false|true);|\.arg\([^)]*, 0, 'f'")

REAL = re.compile(r"_m\b|_n\b|_pa\b|_si\b|\.si\b|\bsi\(|\.value\(\)|\d\.\d|e-?\d|share|misfit|chi2|aicc|\bz\b|more\b")


def measured_boundary(line, before, after):
    """A limit met exactly: of real quantities no reading can tell it from the next one."""
    return {before, after} in ({"<", "<="}, {">", ">="}) and REAL.search(line)


def breaks_of(path, text):
    found = []
    for number, line in code_lines(text):
        plain = outside_strings(line)
        if "template" in plain or "#" in plain:
            continue
        for pattern, into in SWAPS:
            for m in re.finditer(pattern, plain):
                if into is None:
                    others = {"passed": "open", "failed": "open", "open": "passed", "pass": "fail", "fail": "pass"}
                    put = [m.group(0).replace(m.group(1), others[m.group(1)])]
                elif into == "number":
                    put = [str(int(m.group(1)) + 1)]
                else:
                    put = into
                for p in put:
                    if measured_boundary(plain, m.group(0).strip(), p.strip()):
                        continue
                    found.append((path, number, line[:m.start()] + p + line[m.end():], m.group(0).strip() + " → " + p.strip()))
        if STATEMENT.match(plain) and not re.match(r"^\s*(const|auto|return|std::\w+<|using|static)\b", plain):
            found.append((path, number, "", "removed"))
    return found


def run(command, timeout):
    try:
        return subprocess.run(command, cwd=WORK, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True,
                              timeout=timeout, env=dict(os.environ, QT_QPA_PLATFORM="offscreen"))
    except subprocess.TimeoutExpired:
        return None


def build():
    return run(["ninja", "-C", BUILD, "-j", os.environ.get("JOBS", "2"), *TESTS, "yokestep-cli"], 1800)


def sync():
    """Makes the copy equal to the tree; files that are equal keep their time, so little is built again."""
    listed = subprocess.run(["git", "ls-files", "-co", "--exclude-standard"], cwd=ROOT, check=True,
                            capture_output=True, text=True).stdout.split("\n")
    wanted = {n for n in listed if n and os.path.isfile(os.path.join(ROOT, n))}
    for folder, _, names in os.walk(COPY):
        for n in names:
            if os.path.relpath(os.path.join(folder, n), COPY) not in wanted:
                os.remove(os.path.join(folder, n))
    for n in wanted:
        source, target = os.path.join(ROOT, n), os.path.join(COPY, n)
        if os.path.exists(target) and filecmp.cmp(source, target, shallow=False):
            continue
        os.makedirs(os.path.dirname(target), exist_ok=True)
        shutil.copyfile(source, target)
        shutil.copymode(source, target)


def prepare():
    sync()
    subprocess.run(["cmake", "-S", COPY, "-B", BUILD, "-G", "Ninja", "-DCMAKE_BUILD_TYPE=Release", "-DYOKE_BENCH=OFF"],
                   check=True, stdout=subprocess.DEVNULL)
    first = build()
    if first is None or first.returncode:
        sys.exit("the tests do not build: " + (first.stdout[-2000:] if first else "no end"))
    for test in TESTS:
        done = run([os.path.join(BUILD, test)], 300)
        if done is None or done.returncode:
            sys.exit(test + " fails before anything is broken")


def noticed():
    built = build()
    if built is None:
        return "does not build"
    if built.returncode:
        return "does not build"
    # What was stored of the demo jobs first: it notices much in little time.
    for test, chosen in QUICK + tuple((t, "") for t in TESTS):
        done = run([os.path.join(BUILD, test), *([chosen] if chosen else []), "-a"], 120)
        if done is None or done.returncode:
            return test
    return ""


def sources(folders):
    for folder in folders:
        path = os.path.join(ROOT, folder)
        names = [path] if path.endswith(".cpp") else sorted(
            os.path.join(path, n) for n in os.listdir(path) if n.endswith(".cpp"))
        for name in names:
            yield os.path.relpath(name, ROOT)


def chosen(a, folders):
    """So many of every folder, by the seed; never two of one line."""
    rng = random.Random(a.seed)
    each = max(1, a.count // len(folders))
    all_breaks = []
    for folder in folders:
        mine = []
        for path in sources([folder]):
            with open(os.path.join(ROOT, path), encoding="utf-8") as f:
                mine += breaks_of(path, f.read())
        rng.shuffle(mine)
        lines = set()
        for b in mine:
            if (b[0], b[1]) in lines:
                continue
            lines.add((b[0], b[1]))
            all_breaks.append((folder, b))
            if len(lines) == each:
                break
    return all_breaks


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--count", type=int, default=120)
    parser.add_argument("--folders", default=",".join(FOLDERS))
    parser.add_argument("--list", action="store_true", help="only say what would be broken")
    parser.add_argument("--write", help="file for the table")
    a = parser.parse_args()
    folders = a.folders.split(",")
    todo = chosen(a, folders)
    if a.list:
        for folder, (path, number, line, what) in todo:
            print(f"{path}:{number + 1}: {what}")
        return
    prepare()
    count = collections.defaultdict(lambda: [0, 0])
    survivors = []
    for n, (folder, (path, number, line, what)) in enumerate(todo, 1):
        target = os.path.join(COPY, path)
        with open(target, encoding="utf-8") as f:
            text = f.read()
        lines = text.split("\n")
        was, lines[number] = lines[number], line
        with open(target, "w", encoding="utf-8") as f:
            f.write("\n".join(lines))
        by = noticed()
        with open(target, "w", encoding="utf-8") as f:
            f.write(text)
        if by != "does not build":
            count[folder][0] += 1
            if by:
                count[folder][1] += 1
            else:
                survivors.append(f"{path}:{number + 1}: {what}: {was.strip()}")
        print(f"{n}/{len(todo)} {path}:{number + 1} {what}: {by or 'NOT NOTICED'}   {was.strip()[:90]}", flush=True)
    rows = ["| folder | breaks | noticed | share |", "|---|---|---|---|"]
    for folder in folders:
        made, seen = count[folder]
        rows.append(f"| `{folder}` | {made} | {seen} | {100 * seen / made if made else 0:.0f} % |")
    table = "\n".join(rows)
    print(table)
    print("\n".join(survivors))
    if a.write:
        with open(os.path.join(ROOT, a.write), "w", encoding="utf-8") as f:
            f.write("# Breaks that the tests notice\n\nMade by `tools/mutate.py --seed %d --count %d`: small breaks, one at a "
                    "time, in a copy of the sources; a break counts as\nnoticed when a test of the core, the files or the "
                    "session fails.\n\n%s\n" % (a.seed, a.count, table))


if __name__ == "__main__":
    main()
