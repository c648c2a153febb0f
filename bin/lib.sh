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

# start_together PROCFILE LOG: starts what a Procfile names under one supervisor, in a process group of its own.
start_together() {
  together_log="$2"
  # Without job control what is started in the background leads no group, so this becomes the supervisor itself.
  setsid bundle exec foreman start --procfile "$1" --root "$ROOT" --timeout 10 > "$together_log" 2>&1 &
  together_pid=$!
}

# stay_together: waits until one of them ends, or their supervisor does, and says which; it is never wanted.
stay_together() {
  local code=0 part
  wait "$together_pid" || code=$?
  part="$(grep -aoE '[a-z]+\.[0-9]+ +\| +(exited with code|terminated by).*' "$together_log" | head -1 | sed -E 's/\.[0-9]+ +\| +/ /')" || true
  end_together
  fail "It ended by itself: ${part:-the supervisor of its parts (code $code)}. The whole log is $together_log. Start it again."
}

# end_together: ends all of it, whoever lives still.
end_together() {
  [ -n "${together_pid:-}" ] || return 0
  kill -TERM "$together_pid" 2>/dev/null && { wait "$together_pid" 2>/dev/null || true; }
  kill -TERM -- "-$together_pid" 2>/dev/null || return 0
  for _ in $(seq 100); do
    kill -0 -- "-$together_pid" 2>/dev/null || return 0
    sleep 0.1
  done
  kill -KILL -- "-$together_pid" 2>/dev/null || true
}
