/** What the types of links are called. */
export const LINK_TYPES: [string, string][] = [
  ["anchor", "link"],
  ["image", "image"],
  ["script", "script"],
  ["style", "style sheet"],
  ["frame", "frame"],
  ["canonical", "canonical"],
  ["hreflang", "hreflang"],
  ["redirect", "redirect"],
  ["refresh", "meta refresh"],
  ["next", "next"],
  ["prev", "prev"],
  ["form", "form"],
];

/** What the places of links on a page are called. */
export const LINK_PLACES: [string, string][] = [
  ["nav", "navigation"],
  ["header", "header"],
  ["main", "main text"],
  ["aside", "beside the text"],
  ["footer", "footer"],
];
