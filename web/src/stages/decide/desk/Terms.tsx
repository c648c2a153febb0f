import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { count } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { Toggles } from "../../../kit/Toggles";
import type { Sheet } from "./useDeskPage";
import { amongRivals, COMPACT, ELEMENTS, ORDERS, percent, stand, type Order, type Size, useTerms } from "./useTerms";

/** The terms of the page, where they stand, and how much of its words they are, beside the rivals'. */
export function Terms({ sheet }: { sheet: Sheet }) {
  const { rows, total, text, setText, size, setSize, order, setOrder, whole, setWhole, drawn, setDrawn } =
    useTerms(sheet);
  return (
    <Part title="Terms" level="h2">
      <Inline gap={1.5} wrap mb={1}>
        <TextField label="Term" value={text} onChange={(event) => setText(event.target.value)} sx={{ width: 180 }} />
        <Toggles<Size>
          choices={[
            { name: "0", label: "all" },
            { name: "1", label: "one word" },
            { name: "2", label: "two" },
            { name: "3", label: "three" },
          ]}
          value={size}
          choose={setSize}
          choiceSx={CHOICE}
        />
        <Toggles<Order>
          choices={(Object.keys(ORDERS) as Order[]).map((name) => ({ name, label: ORDERS[name] }))}
          value={order}
          choose={setOrder}
          choiceSx={CHOICE}
        />
        <Button size="small" aria-pressed={drawn} onClick={() => setDrawn(!drawn)}>
          {drawn ? "As a table" : "Drawn by weight"}
        </Button>
        <Quiet component="span">{count(total)} terms</Quiet>
      </Inline>
      {drawn ? (
        <Inline align="baseline" wrap>
          {rows.map((one) => (
            <Box
              key={one.term}
              component="span"
              title={`${one.counts.text ?? 0} in the text`}
              sx={{ fontSize: 12 + Math.min(22, (one.counts.text ?? 0) * 2) }}
            >
              {one.term}
            </Box>
          ))}
        </Inline>
      ) : (
        <Roomy label="Terms" columns={["Term", ...ELEMENTS.map(([, name]) => name), "Of all words", "Rivals", ""]}>
          {rows.map((one) => (
            <tr key={one.term}>
              <td>{one.term}</td>
              {ELEMENTS.map(([element]) => (
                <td key={element}>
                  {one.counts[element] ?? ""}
                  {element === "text" && one.drafted !== (one.counts.text ?? 0) && ` → ${one.drafted}`}
                </td>
              ))}
              <td>{percent(one.share)}</td>
              <td>{one.rivals ? amongRivals(one.rivals) : ""}</td>
              <td>{stand(one)}</td>
            </tr>
          ))}
        </Roomy>
      )}
      {total > rows.length && (
        <Button size="small" onClick={() => setWhole(true)}>
          Show all {count(total)}
        </Button>
      )}
      {whole && total > COMPACT && (
        <Button size="small" onClick={() => setWhole(false)}>
          Show the first {COMPACT}
        </Button>
      )}
    </Part>
  );
}

const CHOICE = { py: 0.25, px: 1 } as const;
