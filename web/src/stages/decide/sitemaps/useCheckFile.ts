import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../../../api/client";
import { useRules } from "../../../kit/useRules";

export const PIECE = 32_768;

export async function inBase64(file: File) {
  const all = new Uint8Array(await file.arrayBuffer());
  let text = "";
  for (let place = 0; place < all.length; place += PIECE)
    text += String.fromCharCode(...all.subarray(place, place + PIECE));
  return btoa(text);
}

/** What CheckFile asks for and keeps. */
export function useCheckFile() {
  const { title } = useRules();
  const [location, setLocation] = useState("");
  const check = useMutation({
    mutationFn: async (file: File) => ({
      name: file.name,
      ...(await data(
        api.POST("/trials/sitemap", {
          body: { base64: await inBase64(file), location: location.trim() === "" ? null : location.trim() },
        }),
      )),
    }),
  });
  const found = check.data;
  return { title, location, setLocation, check, found };
}
