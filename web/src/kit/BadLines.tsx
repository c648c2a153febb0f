import type { Schemas } from "../api/client";
import { counted } from "./format";
import { Apart } from "./pieces";

const MOST = 20;

/** Lines of a file that couldn't be used, with why; the rest was kept. */
export function BadLines({ lines }: { lines: Schemas["BadLine"][] }) {
  if (lines.length === 0) return null;
  return (
    <Apart role="alert" mt={1}>
      <strong>{counted(lines.length, "line")} can't be used:</strong>
      <Apart component="ul" m={0} pl={2.5}>
        {lines.slice(0, MOST).map((one) => (
          <li key={one.line}>
            line {one.line}: {one.why}
          </li>
        ))}
      </Apart>
      {lines.length > MOST && `and ${counted(lines.length - MOST, "further line")}`}
    </Apart>
  );
}
