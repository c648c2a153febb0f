# What the scripts in bin/ share. Sourced, not run.

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
VAR="$ROOT/var"

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 3; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi
}

can_be_root() { [ "$(id -u)" = 0 ] || sudo -n true 2>/dev/null; }

# digest FILE...: one number for what the files hold, to see whether a step must be done again.
digest() { cat "$@" | sha256sum | cut -c1-16; }

# once NAME DIGEST COMMAND...: runs the command unless it ran before with the same digest.
once() {
  local stamp="$VAR/stamps/$1" want="$2"
  shift 2
  [ "$(cat "$stamp" 2>/dev/null)" = "$want" ] && return 0
  "$@"
  mkdir -p "$VAR/stamps"
  printf '%s' "$want" > "$stamp"
}

# Where bin/setup had to bring its own Node, it comes first.
if [ -x "$VAR/node/node_modules/.bin/node" ]; then PATH="$VAR/node/node_modules/.bin:$PATH"; fi
