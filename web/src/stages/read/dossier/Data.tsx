import { Apart, Quiet, Wrong } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import type { Dossier, Schemas } from "../../../api/client";
import { Facts, Part } from "../../../kit/parts";

type Item = Schemas["DataItem"];

/** Structured data, open graph and what couldn't be read of them. */
export function Data({ dossier }: { dossier: Dossier }) {
  const items = dossier.facts?.data ?? [];
  const problems = dossier.facts?.data_problems ?? [];
  const graph = Object.entries(dossier.facts?.open_graph ?? {});
  if (items.length + problems.length + graph.length === 0) return null;
  return (
    <Part title="Structured data">
      {problems.map((problem) => (
        <Wrong key={problem}>{problem}</Wrong>
      ))}
      {items.map((item, at) => (
        <Apart key={at} mb={0.5}>
          <ItemLines item={item} />
          <Quiet component="span" small>
            {item.syntax}
          </Quiet>
        </Apart>
      ))}
      {graph.length > 0 && <Facts rows={graph} />}
    </Part>
  );
}

function ItemLines({ item }: { item: Item }) {
  return (
    <>
      <strong>{item.types.join(", ") || "something"}</strong>
      <Box component="ul" sx={{ m: 0, pl: 2, listStyle: "none" }}>
        {Object.entries(item.properties).map(([name, values]) =>
          values.map((value, at) => (
            <Box component="li" key={`${name} ${at}`} sx={{ overflowWrap: "anywhere" }}>
              <Quiet component="span">{name} </Quiet>
              {isItem(value) ? <ItemLines item={value} /> : String(value)}
            </Box>
          )),
        )}
      </Box>
    </>
  );
}

const isItem = (value: unknown): value is Item => typeof value === "object" && value !== null && "properties" in value;
