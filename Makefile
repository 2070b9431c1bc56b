# make demo   sets everything up and opens the demo orchard
# make test   sets everything up and passes everything
# make test-quick  the same without a browser and the long proofs
# make torture  kills it a thousand times and sends it what no field means
SHELL := /bin/bash
# the program holds no C: one way of compiling for checks, tests and what ships
export CGO_ENABLED := 0
# compilers and tests collect rarely: their memory is given back when they end
GO := GOGC=400 go
NPM := npm --no-update-notifier --loglevel=error
GO_SOURCES := $(shell find . -name '*.go' -not -path '*/node_modules/*') go.mod go.sum $(shell find store/migrations core -name '*.sql' -o -name '*.json' -o -name '*.csv' -o -name '*.gz')
WEB_BIN := web/node_modules/.bin
CONTRACT_TYPES := web/src/shared/schema.gen.d.ts
GO_DIRS := api cmd contract core demo exchange internal orchard paper station store weather words web/*.go
GO_SOURCES += $(wildcard paper/fonts/*.ttf)
WEB_SOURCES := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts web/tsconfig.json

.PHONY: demo serve build test test-quick quick-go quick-web test-go test-web test-e2e torture fuzz bench lint lint-go lint-web format types screen screenshots chromium clean

demo: build
	@./bin/vertumna demo $(ARGS)

build: bin/vertumna

bin/vertumna: $(GO_SOURCES) web/dist/index.html
	$(GO) build -o $@ ./cmd/vertumna

web/node_modules/.ready: web/package-lock.json
	cd web && $(NPM) ci && touch node_modules/.ready

# what makes the contract's types, wanted by make types alone
web/types/node_modules/.ready: web/types/package-lock.json
	cd web/types && $(NPM) ci && touch node_modules/.ready

e2e/node_modules/.ready: e2e/package-lock.json
	cd e2e && $(NPM) ci && touch node_modules/.ready

web/dist/index.html: $(WEB_SOURCES) web/node_modules/.ready
	cd web && $(NPM) run build && touch dist/.gitkeep

# what is fetched comes while the checks compute
test:
	@$(MAKE) --no-print-directory -j3 -Otarget lint chromium e2e/node_modules/.ready
	@$(MAKE) --no-print-directory test-go test-web test-e2e

# while one works: types, laws and vectors of the core but for its longest proofs, and every screen's parts; no browser, no linters
test-quick:
	@$(MAKE) --no-print-directory -j2 -Otarget quick-go quick-web

quick-go:
	$(GO) test -short -vet=off ./core/... ./web ./store ./exchange ./words ./paper ./weather ./station ./contract ./internal/...

quick-web: web/node_modules/.ready
	cd web && node_modules/.bin/tsc --noEmit && $(NPM) test

# vet has looked in lint
test-go:
	$(GO) test -vet=off -timeout 15m ./...

test-web: web/node_modules/.ready
	cd web && $(NPM) test

test-e2e: build e2e/node_modules/.ready chromium
	cd e2e && node_modules/.bin/tsc -p . && node_modules/.bin/playwright test

chromium:
	@command -v chromium-headless-shell >/dev/null || command -v chromium >/dev/null || test -n "$$CHROMIUM" || (apt-get update -qq && (DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium-headless-shell >/dev/null || DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null)) || (echo "Chromium is needed for the tests: install it, or name it in CHROMIUM"; exit 1)

lint: lint-go lint-web

lint-go:
	@test -z "$$($(GO) tool gofumpt -l $(GO_DIRS))" || (echo "gofumpt wants these formatted (make format):"; go tool gofumpt -l $(GO_DIRS); exit 1)
	$(GO) vet ./...
	$(GO) tool staticcheck ./...

lint-web: web/node_modules/.ready
	@! grep -n '"resolved"' web/package-lock.json web/types/package-lock.json e2e/package-lock.json || (echo "a lock file carries download addresses"; exit 1)
	$(WEB_BIN)/oxlint web e2e && $(WEB_BIN)/oxfmt --check web e2e
	$(WEB_BIN)/jscpd --no-tips .
	cd web && node_modules/.bin/tsc --noEmit
	@node web/types/check.mjs api/openapi.json $(CONTRACT_TYPES)

format: web/node_modules/.ready
	go tool gofumpt -w $(GO_DIRS)
	$(WEB_BIN)/oxfmt web e2e

# a folder for a new screen, with its address and a test: make screen NAME=cider
screen:
	@node web/types/screen.mjs $(NAME)

# the contract the program publishes, and the types made from it
types: web/types/node_modules/.ready
	go run ./cmd/vertumna openapi > api/openapi.new && mv api/openapi.new api/openapi.json
	node web/types/make.mjs api/openapi.json $(CONTRACT_TYPES)

bench: build e2e/node_modules/.ready chromium
	$(GO) test -run xxx -bench . -benchmem ./core/... ./paper ./api
	@cd e2e && BENCH=1 npx --no-install playwright test turning --project=laptop | grep -E 'turning 400|dragging the rail on .*aim'
	@cd e2e && BENCH=1 npx --no-install playwright test speed --project=phone | grep -E 'offline: a tap'
	@echo "first load of the web app, compressed script and style:"
	@cd web/dist/assets && for f in $$(grep -oE 'assets/[^"]+\.(js|css)' ../index.html | sed 's#assets/##' | sort -u); do printf '%8d %s\n' $$(gzip -c $$f | wc -c) $$f; done | awk '{s+=$$1; print} END {printf "%8d bytes together\n", s}'

# the long proof: kills, hostile bodies; its figures stand in docs/reliability.md
torture:
	TORTURE=1000 go test ./cmd/vertumna -run KilledInMidSave -v -timeout 60m | grep -E "kills|FAIL|ok"
	TORTURE=40 go test ./cmd/vertumna -run FirstStartThatIsKilled -v -timeout 60m | grep -E "PASS|FAIL"
	TORTURE=500 go test ./api -run NoBodyTakesItDown -v -timeout 60m | grep -E "bodies|FAIL|ok"
	TORTURE=200 go test ./cmd/vertumna -run Crowd -v -timeout 60m | grep -E "at once|FAIL|ok"
	TORTURE=5000 go test ./exchange ./core/limb ./core/almanac ./core/quickline ./orchard -run Fuzz -timeout 60m | grep -E "FAIL|ok"

# every reader of what comes from outside, for a minute each; what is found is kept in testdata/fuzz and tried by every test run
fuzz:
	@for x in exchange:FuzzArchive exchange:FuzzLimbsCSV exchange:FuzzNormals core/limb:FuzzMap core/limb:FuzzEdits core/almanac:FuzzPlace core/quickline:FuzzLine orchard:FuzzDays; do go test ./$${x%:*} -run xxx -fuzz "^$${x#*:}$$" -fuzztime 60s || exit 1; done

screenshots: build e2e/node_modules/.ready chromium
	cd e2e && SCREENSHOTS=1 npx --no-install playwright test screenshots

clean:
	rm -rf bin web/node_modules e2e/node_modules web/dist/assets web/dist/*.html
