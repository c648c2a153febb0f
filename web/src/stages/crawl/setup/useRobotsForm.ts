import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Site } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { lines } from "../../../kit/lines";
import { useForm } from "./form";

/** What RobotsForm asks for and keeps. */
export function useRobotsForm({ site }: { site: Site | undefined }) {
  const { fields } = useForm();
  const [text, setText] = useState("");
  const [urls, setUrls] = useState("/");
  const [agent, setAgent] = useState(fields.agent);
  const start = lines(fields.start_urls)[0];
  const draft = useMutation({
    mutationFn: () => data(api.POST("/trials/robots", { body: { text, agent, urls: lines(urls) } })),
  });
  const live = useMutation({
    mutationFn: () =>
      worked(
        "robots_trial",
        api.POST("/trials/robots/now", { body: { url: start ?? "", agent, urls: lines(urls), site: site?.id } }),
      ),
    onSuccess: (answer) => setText(answer.file?.text ?? ""),
  });
  const answer = live.data && live.submittedAt > draft.submittedAt ? live.data : draft.data;
  const error = live.submittedAt > draft.submittedAt ? live.error : draft.error;
  return { text, setText, urls, setUrls, agent, setAgent, start, draft, live, answer, error };
}
