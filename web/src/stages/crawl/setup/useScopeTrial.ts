import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useLater } from "../../../kit/useLater";
import { lines } from "../../../kit/lines";
import { type Fields, settingsOf } from "./fields";

/** Tries the settings as they are typed against pasted URLs and those that the newest crawl knows. */
export function useScopeTrial(fields: Fields, pasted: string, site: number | undefined) {
  const asked = useLater(
    JSON.stringify({ settings: settingsOf(fields), urls: lines(pasted).slice(0, 500), site }),
    300,
  );
  return useQuery({
    queryKey: ["scope trial", asked],
    queryFn: () => data(api.POST("/trials/scope", { body: JSON.parse(asked) })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}
