# Two commands on a fresh machine: `make demo` and `make test`.
export NEXT_TELEMETRY_DISABLED = 1
export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD = 1
PORT ?= 3000

.PHONY: demo start phone test check install browser build

install: node_modules/.installed

node_modules/.installed: package-lock.json package.json
	npm ci --no-audit --no-fund
	@touch $@

# Debian's Chromium for the tests of the real interface, and its packages of recorded drums for those of the ear.
DEBIAN = chromium fonts-dejavu-core avldrums.lv2-soundfont sonic-pi-samples flac
browser:
	@test -x /usr/bin/chromium -a -x /usr/bin/flac -a -d /usr/share/sonic-pi/samples -a -e /usr/share/sounds/sf2/Black_Pearl_4_LV2.sf2 \
	  || (apt-get update -qq && apt-get install -y -qq --no-install-recommends $(DEBIAN))

build: install
	npm run -s build

# With the demo kit in place.
demo: build
	@echo "Humbra is at http://localhost:$(PORT)"
	@HUMBRA_START=demo node node_modules/next/dist/bin/next start -p $(PORT) > /dev/null

# Without: an empty device begins with the welcome.
start: build
	@echo "Humbra is at http://localhost:$(PORT)"
	@node node_modules/next/dist/bin/next start -p $(PORT) > /dev/null

# Over https on this network, for a phone at the kit; addresses and a code are printed.
phone: build
	@npm run -s phone

# From nothing to "N passed, N failed", in ten minutes.
test:
	@node scripts/test.mjs

# All of that in its long forms, and the bench in short: before a change is put forward.
check:
	@node scripts/test.mjs --long
