"""Write the golden answers again, where a change of answer is meant. Look at each difference before it is kept."""

import json
import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT))

from halfthou.assess import assess  # noqa: E402
from halfthou.exchange import write_job  # noqa: E402
from halfthou.jobs import JobFile  # noqa: E402
from tests.golden.kinds import mends  # noqa: E402

FOLDER = ROOT / "tests" / "golden" / "answers"


def main() -> None:
    FOLDER.mkdir(exist_ok=True)
    for name, make in mends().items():
        job = make()
        kept = {"file": json.loads(write_job(JobFile(job=job))), "answer": assess(job).model_dump(mode="json")}
        text = json.dumps(kept, ensure_ascii=False, separators=(",", ":")) + "\n"
        (FOLDER / f"{name}.json").write_text(text, encoding="utf-8")
    print(f"{len(mends())} answers written to {FOLDER.relative_to(ROOT)}")


if __name__ == "__main__":
    main()
