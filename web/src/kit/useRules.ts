import { useQuery } from "@tanstack/react-query";
import { api, data } from "../api/client";

/** What each rule finds, in plain words, by its code. */
export function useRules() {
  const rules = useQuery({
    queryKey: ["rules"],
    queryFn: () => data(api.GET("/rules")).then((answer) => answer.rules),
    staleTime: Infinity,
  });
  const titles = new Map(rules.data?.map((rule) => [rule.code, rule.title]));
  return { rules: rules.data ?? [], title: (code: string) => titles.get(code) ?? code };
}
