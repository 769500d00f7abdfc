# Half Thou. The two commands a fresh machine needs: make demo, make test.
# Everything else here serves them, the benches or the keeping of the data.

PORT ?= 8000
HOST ?= 127.0.0.1
DATA_DIR ?= $(CURDIR)/data
PY := .venv/bin/python
UV := .venv/bin/uv
export DATA_DIR HOST PORT

.DELETE_ON_ERROR:
.PHONY: golden check-data attack fuzz demo demo-reset serve test check-code test-python test-web bench screenshots api backup restore setup setup-test

demo: setup ## set up, load the demo shop if there is nothing yet, serve
	@$(PY) manage.py migrate -v0
	@DEMO=1 $(PY) manage.py furnish_demo
	@echo "Half Thou is at http://$(HOST):$(PORT)/ - the sign-in page shows the demo accounts."
	@DEMO=1 $(PY) scripts/serve.py

demo-reset: setup ## start the demo afresh: what was entered is kept aside in data/before-reset
	@mkdir -p "$(DATA_DIR)/before-reset"
	@[ ! -f "$(DATA_DIR)/halfthou.sqlite3" ] || $(PY) scripts/keep.py backup "$(DATA_DIR)/before-reset"
	@rm -f "$(DATA_DIR)"/halfthou.sqlite3*
	@$(MAKE) --no-print-directory demo

serve: setup ## serve a real shop: make the first owner with: make owner NAME=...
	@$(PY) manage.py migrate -v0
	@$(PY) scripts/serve.py

owner: setup ## open the first owner's account; asks for a password
	@$(PY) manage.py migrate -v0
	@$(PY) manage.py open_owner "$(NAME)"

test: setup-test check-code test-web test-python

check-code:
	$(PY) -m ruff format --check .
	$(PY) -m ruff check .
	.venv/bin/lint-imports
	$(PY) -m mypy halfthou workshop gauge_bridge demo tests manage.py
	$(PY) manage.py makemigrations --check --dry-run
	@$(MAKE) --no-print-directory api-check

api-check: # the committed API description and its types are those of this code
	@$(PY) manage.py export_openapi_schema --api workshop.config.api.api --indent 1 > .make/openapi.json
	@cmp .make/openapi.json web/src/api/openapi.json || (echo "The API has changed: run make api and commit." && exit 1)

test-web:
	cd web && npm run --silent lint && npm run --silent test

test-python:
	$(PY) -m pytest

bench: setup-test ## speed, as ratios in one run
	$(PY) bench/assess_speed.py
	$(PY) bench/pairing.py
	$(PY) bench/before_bench.py
	$(PY) bench/strip_drawn.py
	$(PY) bench/causes.py
	$(PY) bench/landing.py
	$(PY) bench/many_writers.py
	$(PY) bench/upgrade.py
	$(PY) bench/bundle_size.py
	$(PY) bench/key_to_verdict.py
	$(PY) bench/full_rack.py
	$(PY) bench/line_to_verdict.py
	$(PY) bench/kept_readings.py
	$(PY) bench/slips.py
	$(PY) bench/truth.py

screenshots: setup-test ## take the pictures in docs/screenshots again, from the demo data
	$(PY) scripts/screenshots.py

api: .make/venv-test .make/node ## write the API description and its TypeScript types
	$(PY) manage.py export_openapi_schema --api workshop.config.api.api --indent 1 > web/src/api/openapi.json
	cd web && npm run --silent types
	$(PY) -m halfthou.cli schema > docs/job-file.schema.json

check-data: setup ## open and judge every job; says how to mend one that does not open
	@$(PY) scripts/keep.py check
	@$(PY) manage.py check_data

attack: setup-test ## slow and silent clients, a great import, 200 kills, the ports: prints what came of each
	$(PY) -m pytest tests/attack -q -s --run-attacks

fuzz: setup-test ## requests well and ill formed, with a new seed each time, which it prints
	$(PY) -m pytest tests/workshop/test_no_request_breaks.py tests/workshop/test_any_sequence.py -q -s --fuzz

golden: setup-test ## write the golden answers again, where a change of answer is meant
	$(PY) scripts/record_golden.py

backup: setup ## copy the data while it is in use, with SQLite's online backup
	@$(PY) scripts/keep.py backup "$(DATA_DIR)/backups"

restore: setup ## put a backup back: make restore FILE=...; what was there is kept beside it
	@$(PY) scripts/keep.py restore "$(FILE)"

setup: .make/system .make/venv .make/dist
setup-test: .make/system-test .make/venv-test .make/dist

.make/system: scripts/debian-packages.sh
	@mkdir -p .make
	bash scripts/debian-packages.sh serve
	@touch $@

.make/system-test: scripts/debian-packages.sh .make/system
	bash scripts/debian-packages.sh test
	@touch $@

.venv/bin/uv:
	python3 -m venv .venv
	.venv/bin/pip install --quiet --disable-pip-version-check uv==0.13.9

.make/venv: requirements.txt .venv/bin/uv
	@mkdir -p .make
	$(UV) pip install --quiet --require-hashes --compile-bytecode -r requirements.txt
	$(UV) pip install --quiet --no-deps --no-build-isolation -e .
	@touch $@

.make/venv-test: requirements-dev.txt .make/venv
	$(UV) pip sync --quiet --require-hashes --compile-bytecode requirements-dev.txt
	$(UV) pip install --quiet --no-deps --no-build-isolation -e .
	@touch $@

.make/node: web/package-lock.json web/package.json
	@mkdir -p .make
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

.make/dist: .make/node $(shell find web/src web/public web/index.html web/vite.config.ts -type f 2>/dev/null)
	cd web && npm run --silent build
	@touch $@
