import { Apart, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { BadLines } from "../../../kit/BadLines";
import { BringFile } from "../../../kit/BringFile";
import { counted } from "../../../kit/format";
import { WhyNot } from "../../../kit/WhyNot";
import { useBringMap, READ } from "./useBringMap";

/** Takes a redirect map from a file: what can't be used is told by line, the rest goes into the map. */
export function BringMap({ site }: { site: number }) {
  const { bring } = useBringMap({ site });
  return (
    <Box>
      <Quiet mb={1}>
        A CSV with the columns from, to, status, or JSON. Paths are those of the main host; an empty target with 410
        says that a page is gone.
      </Quiet>
      <BringFile
        label="Choose a file"
        accept={[".tsv", ".txt", ...READ.map((name) => `.${name}`)].join()}
        disabled={bring.isPending}
        read={(file) => bring.mutate(file)}
      />
      <WhyNot error={bring.error} sx={{ mt: 1 }} />
      {bring.data && (
        <Apart role="status" mt={1}>
          {counted(bring.data.ids.length, "route")} of {counted(bring.data.read, "line")} went into the map.
          <BadLines lines={bring.data.bad} />
        </Apart>
      )}
    </Box>
  );
}
