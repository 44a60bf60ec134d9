#!/usr/bin/env bash
# Makes every kind of file in every two of its values together and decodes it: two halves side by side.
set -uo pipefail
cd "$(dirname "$0")/.."
npm run --silent build:workers || exit 1
export NODE_OPTIONS=--experimental-vm-modules
MATRIX=1/2 npx jest src/server/press/matrix &
first=$!
MATRIX=2/2 npx jest src/server/press/matrix
second=$?
wait "$first" && exit "$second"
exit 1
