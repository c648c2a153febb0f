import { Apart, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { BadLines } from "../../../kit/BadLines";
import { BringFile } from "../../../kit/BringFile";
import { counted } from "../../../kit/format";
import { WhyNot } from "../../../kit/WhyNot";
import { useBringSets } from "./useBringSets";

/** Checks sets of languages of a CSV, without a crawl, and keeps them where that is wanted. */
export function BringSets({ site }: { site: number }) {
  const { bring, found } = useBringSets({ site });
  return (
    <Box>
      <Quiet mb={1}>A CSV with the columns url, hreflang, target: a row an annotation. It is checked first.</Quiet>
      <BringFile
        label="Choose a file"
        accept=".csv,.tsv,.txt"
        disabled={bring.isPending}
        read={(file) => void file.text().then((text) => bring.mutate({ text, keep: false }))}
      />
      <WhyNot error={bring.error} sx={{ mt: 1 }} />
      {found && (
        <Apart role="status" mt={1}>
          {counted(found.clusters.length, "set")}, {counted(found.faults.length, "fault")}.
          <Box component="ul" sx={{ m: 0, pl: 2.5, maxHeight: 220, overflow: "auto" }}>
            {found.faults.slice(0, 50).map((fault, place) => (
              <Box component="li" key={place} sx={{ overflowWrap: "anywhere" }}>
                {fault.code}: {fault.url} {fault.about}
              </Box>
            ))}
          </Box>
          <BadLines lines={found.bad} />
          {found.ids.length > 0 ? (
            <strong>{counted(found.ids.length, "set")} kept.</strong>
          ) : (
            <Button
              variant="outlined"
              sx={{ mt: 1 }}
              disabled={bring.isPending}
              onClick={() => bring.mutate({ text: found.text, keep: true })}
            >
              Decide for these sets
            </Button>
          )}
        </Apart>
      )}
    </Box>
  );
}
