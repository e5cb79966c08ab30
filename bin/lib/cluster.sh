#!/usr/bin/env bash
# cluster.sh start FOLDER PORT: starts the private PostgreSQL cluster in a folder.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# shellcheck source=bin/lib/setup.sh
source "$root/bin/lib/setup.sh"
[ "${1:-}" = start ] || fail "cluster.sh start FOLDER PORT"
cluster_started "$2" "$3"
