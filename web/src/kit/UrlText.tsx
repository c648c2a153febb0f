import Box from "@mui/material/Box";
import { MONO } from "../theme";

/** A URL with its last part set off from host and folders; the whole of it is its title. */
export function UrlText({ url, withHost = false, size = 12.5 }: { url: string; withHost?: boolean; size?: number }) {
  const match = /^(https?:\/\/[^/]+)(\/(?:.*\/)?)([^/]*\/?)$/.exec(url);
  const host = match?.[1] ?? "";
  const folders = match?.[2] ?? "";
  const last = match ? match[3] : url;
  const before = `${withHost ? host.replace(/^https?:\/\//, "") : ""}${last === "" ? "" : folders}`;
  return (
    <Box component="span" title={url} sx={{ ...WHOLE, fontSize: size }}>
      {/* Where there is no room the folders give way first: the last part tells pages apart. */}
      <Box component="span" sx={{ ...CUT, color: "text.secondary", flexShrink: 1000 }}>
        {before}
      </Box>
      <Box component="span" sx={CUT}>
        {last === "" ? folders : last}
      </Box>
    </Box>
  );
}

// A line under a link doesn't reach into what is laid out in itself.
const WHOLE = {
  fontFamily: MONO,
  display: "inline-flex",
  maxWidth: "100%",
  verticalAlign: "bottom",
  textDecoration: "inherit",
} as const;
const CUT = {
  overflow: "hidden",
  textOverflow: "ellipsis",
  whiteSpace: "pre",
  minWidth: 0,
  textDecoration: "inherit",
} as const;
