#!/usr/bin/env bash
# What the issues promise, measured: npm run bench. An hour of long service: npm run bench -- soak [MINUTES]; the view of the hand alone: npm run bench -- hand; acts alone: npm run bench -- acts; the camera of a picture: npm run bench -- camera; what browsers load: npm run bench -- scripts; many briefs one after the other: npm run bench -- briefs [MOST]
case "${1:-}" in
  soak) shift; exec bash "$(dirname "$0")/with-server.sh" tsx scripts/soak.ts "$@" ;;
  acts) exec bash "$(dirname "$0")/with-server.sh" tsx scripts/bench-acts.ts ;;
  scripts) exec bash "$(dirname "$0")/with-server.sh" tsx scripts/bench-scripts.ts ;;
  briefs) shift; exec bash "$(dirname "$0")/with-server.sh" tsx scripts/bench-briefs.ts "$@" ;;
  camera) exec npx --no-install tsx "$(dirname "$0")/bench-camera.ts" ;;
  hand) exec bash "$(dirname "$0")/with-server.sh" tsx scripts/bench-hand.ts ;;
  *) exec bash "$(dirname "$0")/with-server.sh" tsx scripts/bench.ts ;;
esac
