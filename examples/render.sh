#!/bin/sh
# Fills in a template and fetches a still or a video: examples/render.sh <template name> <field=words>…
# GILDER_KEY is a key of the House (Other systems). GILDER, OUTPUT and FORMAT can be set too. Needs curl and jq.
set -eu
gilder=${GILDER:-http://127.0.0.1:4400}
ask() { curl --silent --show-error --fail-with-body --header "Authorization: Bearer $GILDER_KEY" "$@"; }

name=$1
shift
edition=$(ask "$gilder/api/v1/templates" | jq --raw-output --arg name "$name" '.[] | select(.name == $name) | .edition')
values=$(for pair in "$@"; do jq --null-input --arg pair "$pair" '$pair | capture("^(?<key>[^=]*)=(?<value>.*)$"; "s")'; done | jq --slurp from_entries)
order=$(jq --null-input --arg edition "$edition" --argjson values "$values" \
  --arg output "${OUTPUT:-png-still}" --arg format "${FORMAT:-wide-1080}" '$ARGS.named')
id=$(ask --json "$order" "$gilder/api/v1/renders" | jq --raw-output .id)

# The stream tells every change; it is left when the order is over.
ask --no-buffer "$gilder/api/v1/renders/$id/events" | while read -r line; do
  case $line in data:*\"endedAt\":\"*) break ;; esac
done || true
ask "$gilder/api/v1/renders/$id" | jq --raw-output '.error // empty' >&2
ask "$gilder/api/v1/renders/$id" | jq --raw-output '.files[] | "\(.href) \(.name)"' | while read -r href file; do
  ask --output "$file" "$gilder$href"
  echo "$file"
done
