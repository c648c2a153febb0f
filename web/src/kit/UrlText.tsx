import Box from "@mui/material/Box";
import { MONO } from "../theme";

/** A URL with its last part set off from host and folders; the whole of it is its title. */
export function UrlText({ url, withHost = false, size = 12.5 }: { url: string; withHost?: boolean; size?: number }) {
  const match = /^(https?:\/\/[^/]+)(\/(?:.*\/)?)([^/]*\/?)$/.exec(url);
  const host = match?.[1] ?? "";
  const folders = match?.[2] ?? "";
  const last = match ? match[3] : url;
  return (
    <Box
      component="span"
      title={url}
      sx={{ fontFamily: MONO, fontSize: size, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}
    >
      <Box component="span" sx={{ color: "text.secondary" }}>
        {withHost ? host.replace(/^https?:\/\//, "") : ""}
        {last === "" ? "" : folders}
      </Box>
      {last === "" ? folders : last}
    </Box>
  );
}
