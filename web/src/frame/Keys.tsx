import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect, useRef, useState } from "react";
import { useAddress } from "../kit/address";
import { isTyping } from "../kit/typing";
import { STAGES } from "../stages/screens";

const LIST: [string, string][] = [
  ...STAGES.filter((stage) => stage.screens.length > 0).map((stage): [string, string] => [
    `g ${stage.letter}`,
    `go to ${stage.name}`,
  ]),
  ["/", "find a URL"],
  ["j k", "next and previous row"],
  ["x", "pick the row; shift and a click pick a range"],
  ["e", "decide about the rows that are picked"],
  ["m", "what can be done with the row"],
  ["Enter", "open the row’s dossier"],
  ["Esc", "close what lies on top"],
  ["?", "this list"],
];

/** The keys that work on every screen. */
export function useKeys() {
  const { navigate, to, siteId } = useAddress();
  const [helpOpen, setHelpOpen] = useState(false);
  const afterG = useRef(false);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const wasG = afterG.current;
      afterG.current = event.key === "g";
      if (wasG) {
        const screen = STAGES.find((stage) => stage.letter === event.key)?.screens[0];
        if (screen && Number.isFinite(siteId)) navigate(to(screen.path));
      } else if (event.key === "/") {
        event.preventDefault();
        document.getElementById("find")?.focus();
      } else if (event.key === "?") setHelpOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [navigate, to, siteId]);

  return { helpOpen, closeHelp: () => setHelpOpen(false) };
}

/** The list of keys. */
export function KeyHelp({ open, close }: { open: boolean; close: () => void }) {
  return (
    <Dialog open={open} onClose={close} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <table>
          <tbody>
            {LIST.map(([key, meaning]) => (
              <tr key={key}>
                <th scope="row" style={{ textAlign: "left", paddingRight: 24, fontWeight: 600 }}>
                  <kbd>{key}</kbd>
                </th>
                <td>{meaning}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </DialogContent>
    </Dialog>
  );
}
