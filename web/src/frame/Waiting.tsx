import Alert from "@mui/material/Alert";
import { useSyncExternalStore } from "react";
import { whatWaits, whenWaitingChanges } from "../api/tasks";

/** Says on every screen, while something that was asked for there waits for a worker, what they do meanwhile. */
export function Waiting() {
  const text = useSyncExternalStore(whenWaitingChanges, whatWaits);
  if (!text) return null;
  return (
    <Alert severity="info" variant="outlined">
      What you asked for waits. {text}
    </Alert>
  );
}
