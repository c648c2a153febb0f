import { useAddress } from "../../../kit/address";
import { useCurrent } from "../../../kit/useCurrent";
import { useFinished } from "../../../kit/useFinished";

/** The crawl, those of the whole site before it, and the one among them that it is held against. */
export function useCompare() {
  const screen = useFinished("");
  const { crawls } = useCurrent();
  const { search, change } = useAddress();
  const crawl = screen.data;
  const earlier = (crawls.data ?? []).filter(
    (one) => crawl && one.state === "finished" && one.scope === "whole" && one.number < crawl.number,
  );
  const chosen = earlier.find((one) => String(one.id) === search.get("with")) ?? earlier[0];
  return { screen, crawl, earlier, chosen, choose: (id: string) => change({ with: id }) };
}
