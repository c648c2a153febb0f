import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import CircularProgress from "@mui/material/CircularProgress";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { Apart } from "./pieces";

/** A screen that has nothing to show yet: it says what to do next and does it with one button. */
export function Empty({ title, children, action }: { title: string; children: ReactNode; action?: ReactNode }) {
  return (
    <Box sx={{ p: 6, maxWidth: 560 }}>
      <Typography variant="h1" component="h2" gutterBottom>
        {title}
      </Typography>
      <Typography sx={{ color: "text.secondary", mb: 2 }}>{children}</Typography>
      {action}
    </Box>
  );
}

/** What went wrong, to what, and the way to try again. */
export function Failed({ error, retry }: { error: Error; retry?: () => void }) {
  return (
    <Apart p={3}>
      <Alert severity="error" variant="outlined" action={retry && <Button onClick={retry}>Try again</Button>}>
        {error.message}
      </Alert>
    </Apart>
  );
}

/** Something is on its way. */
export function Loading({ what }: { what: string }) {
  return (
    <Box sx={{ p: 6, display: "flex", gap: 2, alignItems: "center", color: "text.secondary" }} role="status">
      <CircularProgress size={18} /> Reading {what} …
    </Box>
  );
}
