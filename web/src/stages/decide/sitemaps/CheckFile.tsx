import { Clipped, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { BringFile } from "../../../kit/BringFile";
import { bytes, counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { UrlText } from "../../../kit/UrlText";
import { WhyNot } from "../../../kit/WhyNot";
import { useCheckFile } from "./useCheckFile";

/** Any sitemap file, packed or not, against the protocol, with the lines. */
export function CheckFile() {
  const { title, location, setLocation, check, found } = useCheckFile();
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "340px minmax(0, 1fr)",
        columnGap: 4,
        px: 2.5,
        overflow: "auto",
        alignContent: "start",
      }}
    >
      <Part level="h2" title="The file">
        <Quiet mb={1.5}>XML, an index, a text file of URLs, RSS or Atom, packed or not, up to 50 MB.</Quiet>
        <TextField
          label="Where it is published"
          placeholder="https://www.example.test/sitemap.xml"
          helperText="Tells whether its entries lie below its folder."
          value={location}
          onChange={(event) => setLocation(event.target.value)}
          sx={{ mb: 1.5 }}
        />
        <BringFile
          label="Choose a file"
          accept=".xml,.gz,.txt,.rss,.atom"
          disabled={check.isPending}
          read={(file) => check.mutate(file)}
        />
        <WhyNot error={check.error} sx={{ mt: 1 }} />
      </Part>
      {found && (
        <Part
          level="h2"
          title={`${found.name}: ${found.kind}, ${counted(found.entries, "entry", "entries")}, ${bytes(found.bytes)}`}
        >
          {found.faults.length === 0 ? (
            <Box role="status">The protocol has nothing against it.</Box>
          ) : (
            <Plain
              label="Faults of the file"
              columns={[{ name: "Fault", width: 270 }, { name: "Line", width: 70, right: true }, { name: "About" }]}
            >
              {found.faults.map((fault, place) => (
                <tr key={place}>
                  <td title={fault.code}>{title(fault.code)}</td>
                  <td className="number">{fault.line ?? ""}</td>
                  <td>{fault.about}</td>
                </tr>
              ))}
            </Plain>
          )}
          <Quiet mt={2}>It begins with</Quiet>
          {found.first.map((url) => (
            <Clipped key={url}>
              <UrlText url={url} size={12} withHost />
            </Clipped>
          ))}
        </Part>
      )}
    </Box>
  );
}
