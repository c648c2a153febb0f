import Box from "@mui/material/Box";
import { count, day } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { Part } from "../../../kit/parts";
import { Stop } from "../../../kit/Stop";
import { useHistory } from "./useHistory";

const COLUMNS = [
  { name: "Crawl", width: "23%" },
  { name: "Status", width: "12%", right: true },
  { name: "Stopped by", width: "27%" },
  { name: "Words", width: "13%", right: true },
  { name: "Faults", width: "12%", right: true },
  { name: "Title" },
];

/** What each crawl saw of the page, the newest first. */
export function History({ crawl, url }: { crawl: number; url: string }) {
  const { history, crawls } = useHistory({ crawl, url });
  return (
    <Part title="History">
      {history.error?.message}
      <Plain label="What each crawl saw" columns={COLUMNS}>
        {crawls.map((one) => (
          <Box component="tr" key={one.crawl} sx={{ fontWeight: one.crawl === crawl ? 650 : 400 }}>
            <td>
              {one.number}, {day(one.at)}
            </td>
            {one.fault_count === undefined ? (
              <td colSpan={5}>was not known</td>
            ) : (
              <>
                <td className="number">{one.status ?? "none"}</td>
                <td>
                  <Stop stop={one.stop} passes="nothing" />
                </td>
                <td className="number">{one.words == null ? "" : count(one.words)}</td>
                <td className="number">{count(one.fault_count)}</td>
                <td title={one.title ?? undefined}>{one.title}</td>
              </>
            )}
          </Box>
        ))}
      </Plain>
    </Part>
  );
}
