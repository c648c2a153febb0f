import type { Schemas } from "../../../api/client";

/** One cause with what it comes to. */
export type FaultSum = Schemas["FaultSum"];
