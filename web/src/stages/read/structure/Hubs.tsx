import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { Part, UrlLink } from "../../../kit/parts";

type Structure = Schemas["Structure"];
type Hub = Schemas["Hub"];

/** The pages that others hang on, and those that hang by a thread. */
export function Hubs({ structure }: { structure: Structure }) {
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "repeat(2, minmax(0, 1fr))", columnGap: 4, rowGap: 3 }}>
      <List
        title={`Pages that matter, ${structure.deep_from} clicks deep or deeper`}
        rows={structure.deep}
        none={
          structure.important_known
            ? "None: all that matters lies near the start."
            : "Nothing says yet which pages matter. Decide what should be indexed, or mark key pages."
        }
        value={{ name: "Clicks", of: (hub) => hub.depth }}
      />
      <List
        title="Pages that lead nowhere"
        rows={structure.ends}
        none="None: every page that may be indexed links to another."
        value={{ name: "Links in", of: (hub) => hub.links_in }}
      />
      <List
        title="Most linked to"
        rows={structure.linked}
        none="No page is linked to."
        value={{ name: "Links in", of: (hub) => hub.links_in }}
      />
      <List
        title="Link to most"
        rows={structure.linking}
        none="No page links to another."
        value={{ name: "Links out", of: (hub) => hub.links_out }}
      />
    </Box>
  );
}

type ListProps = { title: string; rows: Hub[]; none: string; value: { name: string; of: (hub: Hub) => number | null } };

function List({ title, rows, none, value }: ListProps) {
  const columns = [
    { name: "Page" },
    { name: "Importance", width: 90, right: true },
    { name: value.name, width: 80, right: true },
  ];
  return (
    <Part level="h2" title={title}>
      {rows.length === 0 ? (
        none
      ) : (
        <Plain label={title} columns={columns}>
          {rows.map((hub) => (
            <tr key={hub.url_id}>
              <td>
                <UrlLink id={hub.url_id} url={hub.url} />
              </td>
              <td className="number">{hub.importance?.toFixed(1) ?? ""}</td>
              <td className="number">{count(value.of(hub) ?? 0)}</td>
            </tr>
          ))}
        </Plain>
      )}
    </Part>
  );
}
