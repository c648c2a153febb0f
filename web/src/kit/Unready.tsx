import { NothingYet } from "./NothingYet";
import { Failed, Loading } from "./Notice";
import type { Screen } from "./screen";

/**
 * What stands in place of a screen that has nothing to show: that it is being read, what went wrong, or why it is
 * empty.
 */
export function Unready({ screen }: { screen: Exclude<Screen<unknown>, { state: "ready" }> }) {
  if (screen.state === "failed") return <Failed error={screen.error} retry={screen.retry} />;
  if (screen.state === "loading") return <Loading what={screen.what} />;
  return <NothingYet>{screen.why}</NothingYet>;
}
