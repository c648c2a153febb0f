import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useEffect, useRef, useState } from "react";
import { isTyping } from "./typing";
import { useDecide } from "./useDecide";
import type { IntentValue } from "./decisions";

type Props = { site: number; urls: string[]; done?: () => void; shortcut?: boolean };

const CHOICES: [string, IntentValue | null][] = [
  ["Should be indexed", { intent: "index" }],
  ["Should be kept out", { intent: "keep_out" }],
  ["Should be kept out, and its links not followed", { intent: "keep_out", follow: false }],
  ["Leave open", { intent: "undecided" }],
  ["As their group is", null],
];

/** Whether some URLs should be indexed, decided wherever they are looked at. */
export function DecideIntent({ site, urls, done, shortcut = false }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const decide = useDecide(site);
  useEffect(() => {
    if (!shortcut) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "e" && !event.ctrlKey && !event.metaKey && !isTyping(event.target)) setAnchor(button.current);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [shortcut]);
  return (
    <>
      <Button
        ref={button}
        aria-haspopup="menu"
        disabled={decide.isPending || urls.length === 0}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {decide.error ? decide.error.message : "Decide"}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {CHOICES.map(([name, wish]) => (
          <MenuItem
            key={name}
            onClick={() => {
              setAnchor(null);
              decide.mutate(
                { kind: "intent", wishes: Object.fromEntries(urls.map((url) => [url, wish])) },
                done ? { onSuccess: done } : {},
              );
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
