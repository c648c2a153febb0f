import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, asFile, data } from "../../../api/client";
import { useRules } from "../../../kit/useRules";

/** What CheckFile asks for and keeps. */
export function useCheckFile() {
  const { title } = useRules();
  const [location, setLocation] = useState("");
  const check = useMutation({
    mutationFn: async (file: File) => ({
      name: file.name,
      ...(await data(
        api.POST("/trials/sitemap", {
          params: { query: location.trim() === "" ? {} : { location: location.trim() } },
          ...asFile(file),
        }),
      )),
    }),
  });
  const found = check.data;
  return { title, location, setLocation, check, found };
}
