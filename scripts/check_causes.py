"""Check the weighing of causes once against pgmpy, a library of Bayesian networks, in its own environment.

    .venv/bin/python scripts/check_causes.py write /tmp/cut-down.json
    python3 -m venv /tmp/other && /tmp/other/bin/pip install "pgmpy==0.1.26" "numpy<2"
    /tmp/other/bin/python scripts/check_causes.py check /tmp/cut-down.json

The first writes cut-down networks with their evidence and our answers; the last builds the same with pgmpy
(BayesianNetwork, TabularCPD, VariableElimination.query) and prints the largest difference. "At most three
together" is a node of its own there, as is each sign that speaks against a cause. Not part of `make test`.

Last run: pgmpy 0.1.26, 12 networks of 8 causes and 7 signs, largest difference of a chance 3.3e-16.
"""

import itertools
import json
import math
import sys
from pathlib import Path

NETWORKS, CAUSES, SIGNS = 12, 8, 7


def write(place: Path) -> None:
    """Write the networks, as the tests cut them down, with our chances of each cause."""
    sys.path.insert(0, str(Path(__file__).resolve().parents[1]))
    from halfthou.causes import weigh
    from tests.core.test_causes import cut_down

    told = []
    for seed in range(NETWORKS):
        network, seen, absent = cut_down(seed, CAUSES, SIGNS)
        found = weigh(network, dict.fromkeys(seen, False), dict.fromkeys(absent, False)).of_each()
        told.append({
            "prior": network.prior.tolist(), "leak": network.leak.tolist(), "leaves": network.leaves.tolist(),
            "falls": [[None if math.isinf(x) else x for x in row] for row in network.falls.tolist()],
            "brings": network.brings.tolist(), "seen": sorted(seen), "absent": sorted(absent),
            "chance": found.tolist(),
        })  # fmt: skip
    place.write_text(json.dumps(told), encoding="utf-8")
    print(f"{len(told)} networks written to {place}")


def check(place: Path) -> None:
    """Build the same with pgmpy, ask it, and print the largest difference."""
    import pgmpy
    from pgmpy.factors.discrete import TabularCPD
    from pgmpy.inference import VariableElimination
    from pgmpy.models import BayesianNetwork

    worst = 0.0
    for net in json.loads(place.read_text(encoding="utf-8")):
        count, model, cpds = len(net["prior"]), BayesianNetwork(), []
        names = [f"c{n}" for n in range(count)]
        model.add_nodes_from(names)

        def add(name, parents, chance, model=model, cpds=cpds):
            """A yes-or-no node: its chance of yes for each state of its parents."""
            model.add_node(name)
            model.add_edges_from((parent, name) for parent in parents)
            yes = [chance(state) for state in itertools.product((0, 1), repeat=len(parents))]
            cpds.append(
                TabularCPD(name, 2, [[1 - p for p in yes], yes], parents or None, [2] * len(parents) or None)
            )

        for row in range(count):
            above = [other for other in range(count) if net["brings"][other][row] > 0]

            def cause(state, row=row, above=above):
                away = 1 - net["prior"][row]
                for there, other in zip(state, above):
                    away *= 1 - there * net["brings"][other][row]
                return 1 - away

            add(names[row], [names[other] for other in above], cause)
        for sign in (*net["seen"], *net["absent"]):

            def shows(state, sign=sign):
                quiet = 1 - net["leak"][sign]
                for there, row in zip(state, range(count)):
                    quiet *= 1 - there * net["leaves"][row][sign]
                return 1 - quiet

            add(f"s{sign}", names, shows)
        evidence = {f"s{sign}": 1 for sign in net["seen"]} | {f"s{sign}": 0 for sign in net["absent"]}
        for sign in net["seen"]:
            for row in range(count):
                fall = net["falls"][row][sign]
                if fall != 0:
                    add(
                        f"a{sign}-{row}",
                        [names[row]],
                        lambda s, fall=fall: (0 if fall is None else math.exp(fall)) if s[0] else 1,
                    )
                    evidence[f"a{sign}-{row}"] = 1
        add("few", names, lambda state: 1 if sum(state) <= 3 else 0)
        evidence["few"] = 1
        model.add_cpds(*cpds)
        assert model.check_model()
        asked = VariableElimination(model)
        for row, ours in enumerate(net["chance"]):
            theirs = float(asked.query([names[row]], evidence=evidence, show_progress=False).values[1])
            worst = max(worst, abs(theirs - ours))
    print(f"pgmpy {pgmpy.__version__}: largest difference {worst:.1e}")


if __name__ == "__main__":
    {"write": write, "check": check}[sys.argv[1]](Path(sys.argv[2]))
