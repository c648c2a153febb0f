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
    <Box
      component="span"
      title={url}
      sx={{ fontFamily: MONO, fontSize: size, display: "inline-flex", maxWidth: "100%", verticalAlign: "bottom" }}
    >
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

const CUT = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "pre", minWidth: 0 } as const;
