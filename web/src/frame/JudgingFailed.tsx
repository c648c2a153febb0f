import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useJudgingFailed } from "./useJudgingFailed";

/** Says on every screen of a crawl that working out its verdicts again failed for good, and offers to try once more. */
export function JudgingFailed() {
  const { crawl, again } = useJudgingFailed();
  if (!crawl?.judging_error) return null;
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={
        <Button disabled={again.isPending} onClick={() => again.mutate(crawl.id)}>
          Try again
        </Button>
      }
    >
      The pages of crawl {crawl.number} could not be judged anew, so what you see is older than what was decided:{" "}
      {again.error?.message ?? crawl.judging_error}
    </Alert>
  );
}
