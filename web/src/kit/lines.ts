/** The entries of a list that is typed one a line: without blanks around them, none empty. */
export const lines = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");
