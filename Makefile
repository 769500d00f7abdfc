# Half Thou. The two commands a fresh machine needs: make demo, make test.
# Everything else here serves them, the benches or the keeping of the data.

PORT ?= 8000
HOST ?= 127.0.0.1
DATA_DIR ?= $(CURDIR)/data
PY := .venv/bin/python
UV := .venv/bin/uv
#: Python, the web and Debian's packages are set up beside each other.
TOGETHER := $(MAKE) --no-print-directory -j4
#: The packages of the web that a build waits for: those of the tests where tests follow.
NODE ?= .make/node
export DATA_DIR HOST PORT

.DELETE_ON_ERROR:
.PHONY: golden check-data attack fuzz demo demo-shop demo-reset serve test bench truth screenshots api backup restore setup setup-test

demo: ## set up, load the demo shop if there is nothing yet, serve
	@$(TOGETHER) demo-shop .make/dist
	@echo "Half Thou is at http://$(HOST):$(PORT)/ - the sign-in page shows the demo accounts."
	@DEMO=1 $(PY) scripts/serve.py

demo-shop: .make/system .make/venv # needs nothing of the web's: furnished while that is built
	@DEMO=1 $(PY) manage.py furnish_demo

demo-reset: setup ## start the demo afresh: what was entered is kept aside in data/before-reset
	@mkdir -p "$(DATA_DIR)/before-reset"
	@[ ! -f "$(DATA_DIR)/halfthou.sqlite3" ] || $(PY) scripts/keep.py backup "$(DATA_DIR)/before-reset"
	@rm -f "$(DATA_DIR)"/halfthou.sqlite3* "$(DATA_DIR)/facts-kept.json"
	@$(MAKE) --no-print-directory demo

serve: setup ## serve a real shop: make the first owner with: make owner NAME=...
	@$(PY) manage.py migrate -v0
	@$(PY) scripts/serve.py

owner: setup ## open the first owner's account; asks for a password
	@$(PY) manage.py migrate -v0
	@$(PY) manage.py open_owner "$(NAME)"

test: setup-test ## every check and test; for a part of it: .venv/bin/python -m pytest PATH
	@$(PY) scripts/test.py

bench: setup-test ## speed: every figure with what is wanted beside it, in five minutes
	$(PY) bench/all.py

truth: setup-test ## what verdicts, slips and causes are worth against simulated engines; takes long
	$(PY) bench/causes.py
	$(PY) bench/slips.py
	$(PY) bench/truth.py

screenshots: setup-test ## take the pictures in docs/screenshots again, from the demo data
	$(PY) scripts/screenshots.py

api: .make/venv-test .make/node-test ## write the API description and its TypeScript types
	$(PY) manage.py export_openapi_schema --api workshop.config.api.api --indent 1 > web/src/api/openapi.json
	cd web && npm run --silent types
	$(PY) -m halfthou.cli schema > docs/job-file.schema.json

check-data: setup ## open and judge every job; says how to mend one that does not open
	@$(PY) scripts/keep.py check
	@$(PY) manage.py check_data

attack: setup-test ## slow and silent clients, a great import, 200 kills, the ports: prints what came of each
	$(PY) -m pytest tests/attack -q -s --run-attacks

fuzz: setup-test ## requests well and ill formed, five thousand engines, with a new seed each time, which it prints
	$(PY) -m pytest tests/workshop/test_no_request_breaks.py tests/workshop/test_any_sequence.py \
		tests/core/test_what_holds_what.py -q -s --fuzz

golden: setup-test ## write the golden answers again, where a change of answer is meant
	$(PY) scripts/record_golden.py

backup: setup ## copy the data while it is in use, with SQLite's online backup
	@$(PY) scripts/keep.py backup "$(DATA_DIR)/backups"

restore: setup ## put a backup back: make restore FILE=...; what was there is kept beside it
	@$(PY) scripts/keep.py restore "$(FILE)"

setup:
	@$(TOGETHER) .make/system .make/venv .make/dist

setup-test:
	@$(TOGETHER) NODE=.make/node-test .make/system-test .make/venv-test .make/dist

.make/system: scripts/debian-packages.sh
	@mkdir -p .make
	bash scripts/debian-packages.sh serve
	@touch $@

.make/system-test: scripts/debian-packages.sh
	@mkdir -p .make
	bash scripts/debian-packages.sh test
	@touch .make/system $@

.venv/bin/uv:
	python3 -m venv .venv
	.venv/bin/pip install --quiet --disable-pip-version-check uv==0.13.9

.make/venv: requirements.txt .venv/bin/uv
	@mkdir -p .make
	$(UV) pip install --quiet --require-hashes --compile-bytecode -r requirements.txt
	$(UV) pip install --quiet --no-deps --no-build-isolation -e .
	@touch $@

.make/venv-test: requirements-dev.txt requirements.txt .venv/bin/uv
	@mkdir -p .make
	$(UV) pip sync --quiet --require-hashes --compile-bytecode requirements-dev.txt
	$(UV) pip install --quiet --no-deps --no-build-isolation -e .
	@touch .make/venv $@

.make/node: web/package-lock.json web/package.json # what the build needs
	@mkdir -p .make
	cd web && npm ci --omit=dev --no-audit --no-fund --loglevel=error
	@touch $@

.make/node-test: web/package-lock.json web/package.json # and what checks and tests need
	@mkdir -p .make
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch .make/node $@

.make/dist: $(NODE) $(shell find web/src web/public web/index.html web/vite.config.ts -type f ! -name '*.spec.*' 2>/dev/null)
	cd web && npm run --silent build
	@touch $@
