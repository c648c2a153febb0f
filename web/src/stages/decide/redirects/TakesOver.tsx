import type { Schemas } from "../../../api/client";
import { counted, day, share } from "../../../kit/format";
import { Quiet } from "../../../kit/pieces";

type Heir = Schemas["Heir"];

/** Whether the new address takes over what the old one had in search. */
export function TakesOver({ heir }: { heir: Heir | null }) {
  return heir && <Quiet small>{told(heir)}</Quiet>;
}

const place = ({ position }: Heir["now"]) => (position === null ? "none" : position);

function told({ since, before, now, share: part }: Heir) {
  const moved = `The index has it moved since ${day(since)}`;
  if (part === null) return `${moved}; it had no clicks to take over.`;
  return (
    `${moved}: the new address has taken over ${share(Math.min(part, 1))} of its ${counted(before.clicks, "click")} ` +
    `in the window before; place ${place(before)} before, ${place(now)} now.`
  );
}
