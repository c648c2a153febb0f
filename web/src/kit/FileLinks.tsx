import { Quiet } from "./pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";

type Props = { what: string; files: { name: string; href: string }[] };

/** What a screen shows, as files to take elsewhere. */
export function FileLinks({ what, files }: Props) {
  return (
    <Box sx={{ display: "flex", gap: 0.5, alignItems: "baseline", whiteSpace: "nowrap" }}>
      <Quiet component="span">{what}</Quiet>
      {files.map((one) => (
        <Button
          key={one.name}
          component="a"
          href={one.href}
          download
          sx={{ minWidth: 0, px: 0.75 }}
          aria-label={`${what} ${one.name}`}
        >
          {one.name}
        </Button>
      ))}
    </Box>
  );
}
