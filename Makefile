# Two commands: `make demo` and `make test`. Everything they need is set up on the way.
PORT ?= 8420
# Of the referee's cases, every so many.
EVERY ?= 1
export PACKAGES SAMPLE SEED FRESH
# Modules are kept compiled, whatever the environment says: starting takes half as long again without.
export PYTHONDONTWRITEBYTECODE :=
PYTHON ?= $(shell command -v python3.11 || echo python3)

VENV := .venv
BIN := $(VENV)/bin
RUN_READY := $(VENV)/.ready-to-run
TEST_READY := $(VENV)/.ready-to-test
NODE_READY := frontend/node_modules/.ready
SCHEMA := frontend/src/shared/api/schema.ts
PAGE := curlet/web/static/index.html
CORE_FILES := $(shell find curlet -name '*.py')
PAGE_FILES := $(shell find frontend/src frontend/public -type f ! -name schema.ts ! -name choices.ts) \
	frontend/index.html frontend/vite.config.ts

GUIDE_FILES := $(wildcard docs/*.md docs/screenshots/*.png) scripts/guide_pages.py scripts/guide_pages.css

.PHONY: demo demo-fresh test test-python test-long faults lint referee mutants speed gallery screenshots build lock clean

demo: build
	@$(BIN)/curlet serve --port $(PORT) --demo

demo-fresh: build
	@$(BIN)/curlet serve --port $(PORT) --fresh

build: $(RUN_READY) $(PAGE)

test: lint test-python

lint: $(TEST_READY) build
	$(BIN)/ruff check .
	$(BIN)/mypy
	$(BIN)/lint-imports
	$(BIN)/ruff format --check .
	cd frontend && npm run --silent check && npm run --silent lint && npm run --silent test

test-python: $(TEST_READY) build
	$(BIN)/python -m pytest -n auto --dist loadfile --no-loadscope-reorder

# Everything, with many more examples and at full size: for a release, on a machine to itself.
test-long: lint
	CURLET_TESTS=long $(MAKE) test-python

faults: $(TEST_READY) build
	CURLET_TESTS=long $(BIN)/python -m pytest tests/faults tests/web/test_openapi.py

referee: $(TEST_READY) build
	$(BIN)/python -m tests.reference.referee $(EVERY)

# PACKAGES="core/lay store" SAMPLE=40 SEED=2 FRESH=1
mutants: $(TEST_READY) build
	$(BIN)/python -m scripts.mutants

speed: $(TEST_READY) build
	$(BIN)/python -m speed

gallery: $(RUN_READY)
	$(BIN)/python -m scripts.gallery

screenshots: $(TEST_READY) build
	$(BIN)/python -m scripts.screenshots

$(RUN_READY): requirements.txt pyproject.toml scripts/check-system
	@scripts/check-system run
	@scripts/make-venv $(PYTHON) $(VENV) requirements.txt
	@touch $@

$(TEST_READY): requirements-dev.txt $(RUN_READY)
	@scripts/check-system test
	@scripts/make-venv $(PYTHON) $(VENV) requirements-dev.txt
	@touch $@

$(NODE_READY): frontend/package.json frontend/package-lock.json
	@scripts/install-node-packages frontend
	@touch $@

$(SCHEMA): $(RUN_READY) $(NODE_READY) $(CORE_FILES)
	@$(BIN)/python -m curlet.web.openapi build/openapi.json
	@cd frontend && npm run --silent types
	@$(BIN)/python -m scripts.choices frontend/src/shared/api/choices.ts
	@touch $@

$(PAGE): $(NODE_READY) $(SCHEMA) $(PAGE_FILES) $(GUIDE_FILES)
	cd frontend && npm run --silent build
	@$(BIN)/python -m scripts.guide_pages curlet/web/static/guide
	@touch $@

lock: $(TEST_READY)
	scripts/lock $(BIN)

clean:
	rm -rf $(VENV) frontend/node_modules curlet/web/static $(SCHEMA) frontend/src/shared/api/choices.ts build
