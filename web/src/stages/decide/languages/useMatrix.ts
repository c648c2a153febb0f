import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Crawl } from "../../../api/client";

/** What Matrix asks for and keeps. */
export function useMatrix({ crawl, first }: { crawl: Crawl; first: string }) {
  const [editing, setEditing] = useState(false);
  const matrix = useQuery({
    queryKey: ["decide", "matrix", crawl.id, crawl.run, first],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/languages/cluster", { params: { path: { crawl: crawl.id }, query: { first } } })),
  });
  return { editing, setEditing, matrix: asked(matrix, "the matrix") };
}
