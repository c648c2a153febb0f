import { Columns, Figure } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import { count, share } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { MONO } from "../../../theme";

type Folder = Schemas["Structure"]["folders"][number];

const COLUMNS = [
  { name: "Folder, with all that lies in it" },
  { name: "HTML pages", width: 200 },
  { name: "Indexable", width: 90, right: true },
  { name: "Stopped", width: 80, right: true },
  { name: "Authority", width: 90, right: true },
  { name: "Median clicks", width: 110, right: true },
  { name: "Unique text", width: 100, right: true },
];
// Smaller folders are shown when asked for.
const LEAST_SHARE = 0.01;

/** The folders of the site in the order of their addresses, each further in than the one that holds it. */
export function Folders({ folders }: { folders: Folder[] }) {
  const { to } = useAddress();
  const [all, setAll] = useState(false);
  const whole = folders.reduce((sum, one) => sum + (level(one) === 0 ? one.pages : 0), 0);
  const shown = all ? folders : folders.filter((one) => one.pages >= whole * LEAST_SHARE);
  const most = Math.max(1, ...folders.map((one) => one.pages));
  return (
    <>
      <Plain label="Folders" columns={COLUMNS}>
        {shown.map((folder) => (
          <tr key={folder.folder}>
            <td title={folder.folder}>
              <Box component="span" sx={{ pl: level(folder) * 2.5, fontFamily: MONO, fontSize: 12.5 }}>
                <Link to={to("read/ledger", narrowed({ field: "url", op: "starts", value: folder.folder }))}>
                  {name(folder)}
                </Link>
              </Box>
            </td>
            <td>
              <Columns component="span" of="52px 1fr" across={1} align="center">
                <Figure component="span">{count(folder.pages)}</Figure>
                <Box
                  component="span"
                  aria-hidden
                  sx={{ height: 6, width: `${(folder.pages / most) * 100}%`, minWidth: 2, bgcolor: "moss" }}
                />
              </Columns>
            </td>
            <td className="number">{count(folder.indexable)}</td>
            <td className="number">{folder.stopping === 0 ? "" : count(folder.stopping)}</td>
            <td className="number">{share(folder.authority)}</td>
            <td className="number">{folder.depth ?? ""}</td>
            <td className="number">{folder.unique_share === null ? "" : share(folder.unique_share)}</td>
          </tr>
        ))}
      </Plain>
      {shown.length < folders.length && (
        <Button onClick={() => setAll(true)}>Show {count(folders.length - shown.length)} smaller folders too</Button>
      )}
    </>
  );
}

const level = ({ folder }: Folder) => folder.split("/").length - 4;

const name = (folder: Folder) =>
  level(folder) === 0 ? folder.folder.replace(/^https?:\/\//, "") : `${folder.folder.split("/").at(-2)}/`;
