import type { Schemas } from "../api/client";
import { bytes, count, share } from "./format";
import { SiteUrl } from "./SiteUrl";

/** One thing that a fault tells, written as its kind asks. */
export function Detail({ detail }: { detail: Schemas["FaultDetail"] }) {
  const { kind, value } = detail;
  const values = Array.isArray(value) ? value : [String(value)];
  if (kind === "url" || kind === "urls")
    return (
      <span title={values.join("\n")}>
        {values.map((one, at) => (
          <span key={one}>
            {at > 0 && ", "}
            <SiteUrl url={one} size={12} />
          </span>
        ))}
      </span>
    );
  if (typeof value === "number") return <>{written(kind, value)}</>;
  return (
    <span title={values.join("\n")}>
      <bdi>{values.join("; ")}</bdi>
    </span>
  );
}

function written(kind: Schemas["FaultDetail"]["kind"], value: number) {
  switch (kind) {
    case "bytes":
      return bytes(value);
    case "ms":
      return `${count(value)} ms`;
    case "share":
      return share(value);
    default:
      return count(value);
  }
}
