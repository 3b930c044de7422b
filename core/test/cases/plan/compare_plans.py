#!/usr/bin/env python3
"""Run every case through the command and hold its plan against the rules and the fewest minutes.

    python3 compare_plans.py ["COMMAND"]        (default: ./portiona)
"""
import json
import subprocess
import sys
import tempfile
from pathlib import Path

HERE = Path(__file__).parent
command = (sys.argv[1] if len(sys.argv) > 1 else "./portiona").split()
failed = 0
for expected in sorted(HERE.glob("*.expected.json")):
    name = expected.name.replace(".expected.json", "")
    file, args = HERE / (name + ".json"), HERE / (name + ".args")
    options = args.read_text().split() if args.exists() else []
    with tempfile.NamedTemporaryFile("w+", suffix=".json") as output:
        subprocess.run([*command, "plan", str(file), "--json", *options], stdout=output, check=True)
        checked = subprocess.run([sys.executable, str(HERE / "check_plan.py"), str(file), output.name, *options], capture_output=True, text=True)
        output.seek(0)
        minutes = [(plan["session"], plan["minutes"]) for plan in json.load(output)]
    wanted = [(one["session"], one["minutes"]) for one in json.loads(expected.read_text())]
    sound = checked.returncode == 0 and minutes == wanted
    failed += not sound
    print(("ok   " if sound else "FAIL ") + name, "" if sound else "%s, wanted %s\n%s" % (minutes, wanted, checked.stdout + checked.stderr))
sys.exit(1 if failed else 0)
