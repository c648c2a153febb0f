import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useLater } from "../../../kit/useLater";

/** What NextTimes asks for and keeps. */
export function useNextTimes({ cron, timeZone }: { cron: string; timeZone: string }) {
  const asked = useLater(`${cron}\n${timeZone}`, 300);
  const next = useQuery({
    queryKey: ["timetable", asked],
    queryFn: () => {
      const [line = "", zone = ""] = asked.split("\n");
      return data(api.POST("/trials/timetable", { body: { cron: line, time_zone: zone } }));
    },
    retry: false,
  });
  return { next };
}
