import Box from "@mui/material/Box";
import type { MouseEvent } from "react";
import { Link, useLocation } from "react-router";
import { SiteUrl } from "./SiteUrl";

/** A URL within a row; a click opens its own dossier rather than what the row opens. */
export function OpenUrl({ id, url, size }: { id: string; url: string; size?: number }) {
  const { pathname, search } = useLocation();
  const query = new URLSearchParams(search);
  query.set("url", id);
  return (
    <Box
      component={Link}
      to={`${pathname}?${query}`}
      onClick={(event: MouseEvent) => event.stopPropagation()}
      sx={{ textDecorationThickness: 1, textUnderlineOffset: 3 }}
    >
      <SiteUrl url={url} {...(size === undefined ? {} : { size })} />
    </Box>
  );
}
