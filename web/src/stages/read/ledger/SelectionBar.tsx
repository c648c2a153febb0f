import Button from "@mui/material/Button";
import { useAddress } from "../../../kit/address";
import type { Condition } from "../../../kit/conditions";
import { DecideIntent } from "../../../kit/DecideIntent";
import { counted } from "../../../kit/format";
import { useFetchAgain } from "../../../kit/useFetchAgain";
import type { Selection } from "./useSelection";

// More addresses than these would make the address of the screen too long.
const MOST_TO_NARROW = 50;

/** What can be done with the rows that were picked. */
export function SelectionBar({ selection, narrow }: { selection: Selection; narrow: (condition: Condition) => void }) {
  const again = useFetchAgain();
  const { siteId } = useAddress();
  const { urls, clear } = selection;
  if (urls.length === 0) return null;
  return (
    <>
      <strong role="status">{counted(urls.length, "URL")} picked</strong>
      <DecideIntent site={siteId} urls={urls} done={clear} shortcut />
      <Button size="small" onClick={() => again.mutate({ urls })} disabled={again.isPending}>
        {again.error ? again.error.message : "Fetch again"}
      </Button>
      <Button size="small" onClick={() => void navigator.clipboard.writeText(urls.join("\n"))}>
        Copy their URLs
      </Button>
      <Button
        size="small"
        disabled={urls.length > MOST_TO_NARROW}
        onClick={() => {
          narrow({ field: "url", op: "one_of", value: urls });
          clear();
        }}
      >
        Show only these
      </Button>
      <Button size="small" onClick={clear}>
        Unpick
      </Button>
    </>
  );
}
