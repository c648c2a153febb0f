#!/bin/sh
# Chromium for an owner: it ends with it, however that ends, and leaves neither processes nor its profile behind.
#
#   TRELLIS_OWNER=PID TRELLIS_CHROMIUM=PATH chromium.sh --user-data-dir=FOLDER [--flag...]
#
# It must lead a process group of its own. Who looks after it is in another one, so that it outlives both.

lives() {
  # What has ended and wasn't waited for is there still, as a zombie.
  read -r state < "/proc/$1/stat" 2> /dev/null && case "${state##*) }" in Z*) false ;; esac
}

if [ "$1" = look-after ]; then
  trap '' INT TERM HUP
  while lives "$TRELLIS_OWNER" && lives "$2"; do sleep 0.5; done
  kill -KILL "-$2"
  # What is killed may write still.
  for _ in 1 2 3 4; do rm -rf -- "$3" && break || sleep 0.5; done
  exit
fi

for flag in "$@"; do
  case "$flag" in --user-data-dir=*) profile="${flag#*=}" ;; esac
done
# Nobody's child, so that nobody has to wait for it.
(setsid "$0" look-after "$$" "$profile" < /dev/null > /dev/null 2>&1 &)
exec "$TRELLIS_CHROMIUM" "$@"
