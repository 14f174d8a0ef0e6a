#!/usr/bin/env python3
"""Writes the catalogue of all texts that can be translated: what lupdate finds in window, pictures
and session, and every text of the core, the files and their tables.

The core knows no Qt: its English texts are their own ids and lie in its sources as literals. They are
written into one list that lupdate reads as texts of the context "core".

usage: texts.py CATALOGUE.ts
"""
import pathlib
import re
import subprocess
import sys
import tempfile

ROOT = pathlib.Path(__file__).resolve().parent.parent
# Where texts of the core are made: its own folders, the files', and messages said by the session.
MESSAGES = ["core", "files", "session", "ui", "paint"]
TOKEN = re.compile(r'//[^\n]*|/\*.*?\*/|\'(?:\\.|[^\'\\\n])\'|"(?:\\.|[^"\\\n])*"|#include[^\n]*|[^\s"\'/]+|.',
                   re.S)
PARAMETERS = ROOT / "core" / "document" / "params.def"


def literals(source):
    """All string literals, neighbours joined as the compiler does."""
    joint, found = None, []
    for token in TOKEN.findall(source):
        if token.startswith('"'):
            joint = (joint or "") + token[1:-1]
            continue
        if token.isspace() or token.startswith("//") or token.startswith("/*"):
            continue
        if joint is not None:
            found.append(joint)
            joint = None
    if joint is not None:
        found.append(joint)
    return found


def is_text(s):
    """Words for people; not the id of a parameter, a key of a file or a format."""
    if not re.search(r"[A-Za-z]", s) or s[0] in "#<" or re.search(r"nnn|^0\\\\n", s) or "\\x" in s:
        return False
    if " " in s or s[0].isupper():
        return True
    return re.fullmatch(r"[a-z][a-z'’°-]*[,:]?", s) is not None


def parameter_texts():
    """Words of the parameter table, which is written with macros; its options are "key=words|…"."""
    table = subprocess.run(["g++", "-E", "-P", "-x", "c++", "-I", str(ROOT / "core"), str(PARAMETERS)], check=True, capture_output=True,
                           text=True).stdout
    texts = {"bore of the master"}
    for s in literals(table):
        if "=" in s:
            texts.update(option.split("=", 1)[1] for option in s.split("|") if "=" in option)
        elif is_text(s):
            # Within a sentence a parameter's words begin small.
            texts.add(s)
            if len(s) < 60 and not s.endswith("."):
                texts.add(s[0].lower() + s[1:])
    return {s for s in texts if s}


def core_texts():
    texts, plurals = set(), set()
    for folder in MESSAGES:
        for path in sorted((ROOT / folder).rglob("*")):
            if path.suffix not in (".cpp", ".hpp", ".def"):
                continue
            source = path.read_text(encoding="utf-8")
            # What the session says in messages lies in these; the rest of it speaks by tr().
            core = folder in ("core", "files") or path.stem in ("stage_views", "bleed_view", "stage_sentence", "rule_watch", "entries", "live_edits")
            if core:
                texts.update(s for s in literals(source) if is_text(s))
            else:
                for m in re.finditer(r"\b(?:say|of_table|words_of)\(((?:\s*\"(?:\\.|[^\"\\])*\")+)", source):
                    texts.update(literals(m.group(1) + ";"))
            for m in re.finditer(r"\bplural\(", source):
                args = literals(source[m.end():m.end() + 600])[:2]
                plurals.update(args[1:2])
    texts.update(parameter_texts())
    return sorted(texts - plurals), sorted(plurals)


def main():
    to = pathlib.Path(sys.argv[1]).resolve()
    texts, plurals = core_texts()
    with tempfile.TemporaryDirectory() as d:
        listed = pathlib.Path(d) / "core_texts.cpp"
        with listed.open("w", encoding="utf-8") as out:
            for s in texts:
                out.write(f'QT_TRANSLATE_NOOP("core", "{s}");\n')
            for s in plurals:
                out.write(f'QT_TRANSLATE_N_NOOP("core", "{s}");\n')
        to.unlink(missing_ok=True)
        lupdate = next((p for p in ("/usr/lib/qt6/bin/lupdate", "/usr/bin/lupdate6", "/usr/bin/lupdate")
                        if pathlib.Path(p).exists()), "lupdate")
        subprocess.run([lupdate, "-silent", "-no-obsolete", "-locations", "none", "-source-language",
                        "en_GB", "-target-language", "en_GB", "-I", str(ROOT), str(listed),
                        *[str(ROOT / f) for f in ("paint", "session", "ui", "app")], "-ts", str(to)],
                       check=True)
    print(f"{len(texts) + len(plurals)} texts of the core; {to}")


if __name__ == "__main__":
    main()
