import { CutOff, Narrow, Quiet } from "./pieces";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Fragment, type ReactNode } from "react";
import { Link, useLocation } from "react-router";
import { UrlText } from "./UrlText";
import { SiteUrl } from "./SiteUrl";

type PartProps = { title: string; level?: "h2" | "h3"; children: ReactNode };

/** One part of a dossier, or of a screen, under its heading. */
export function Part({ title, level = "h3", children }: PartProps) {
  return (
    <Narrow component="section" aria-label={title}>
      <Typography variant="h2" component={level} sx={{ borderBottom: 1, borderColor: "iron", pb: 0.5, mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Narrow>
  );
}

/** Names with their values. */
export function Facts({ rows }: { rows: [string, ReactNode][] }) {
  return (
    <Box
      component="dl"
      sx={{ m: 0, display: "grid", gridTemplateColumns: "92px minmax(0, 1fr)", columnGap: 1.5, rowGap: 0.5 }}
    >
      {rows.map(([name, value]) => (
        <Fragment key={name}>
          <Quiet component="dt">{name}</Quiet>
          <Box component="dd" sx={{ m: 0, minWidth: 0, overflowWrap: "anywhere" }}>
            {value}
          </Box>
        </Fragment>
      ))}
    </Box>
  );
}

/** A URL that opens its own dossier, in the place where this one is. */
export function UrlLink({ id, url, withHost = false }: { id: string; url: string; withHost?: boolean }) {
  const { pathname, search } = useLocation();
  const query = new URLSearchParams(search);
  query.set("url", id);
  return (
    <Link to={`${pathname}?${query}`} style={{ textDecorationThickness: 1, textUnderlineOffset: 3 }}>
      {withHost ? <UrlText url={url} size={12} withHost /> : <SiteUrl url={url} size={12} />}
    </Link>
  );
}

/** A URL on one line, cut off where there is no room. */
export const UrlLine = ({ url }: { url: string }) => (
  <CutOff>
    <SiteUrl url={url} size={12} />
  </CutOff>
);
