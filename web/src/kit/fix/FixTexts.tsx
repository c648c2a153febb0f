import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { counted } from "../format";
import { Part } from "../parts";
import { Apart, Inline, Quiet, Spacer } from "../pieces";
import type { Fix } from "./useFix";

const MOST_LINES = 40;

/** The exact texts to apply, to read, to copy and to take away. */
export function FixTexts({ site, fix }: { site: number; fix: Fix }) {
  if (fix.text.length === 0) return null;
  return (
    <Part title="What is to be written" level="h2">
      {fix.text.map((one) => (
        <OneText
          key={one.name}
          {...one}
          href={`/api/sites/${site}/fixes/${fix.id}/text?name=${encodeURIComponent(one.name)}`}
        />
      ))}
    </Part>
  );
}

function OneText({ name, content, href }: { name: string; content: string; href: string }) {
  const [shown, setShown] = useState(false);
  const [copied, setCopied] = useState(false);
  const lines = content.split("\n");
  return (
    <Apart component="section" aria-label={name} mb={0.5}>
      <Inline>
        <Button onClick={() => setShown(!shown)} aria-expanded={shown} sx={{ px: 0.5, minWidth: 0 }}>
          {name}
        </Button>
        <Quiet component="span" small>
          {counted(content === "" ? 0 : lines.length - 1, "line")}
        </Quiet>
        <Spacer />
        <Button
          onClick={() =>
            void navigator.clipboard.writeText(content).then(
              () => setCopied(true),
              () => setShown(true),
            )
          }
        >
          {copied ? "Copied" : "Copy"}
        </Button>
        <Button component="a" href={href} download>
          Download
        </Button>
      </Inline>
      {shown && (
        <Box
          component="pre"
          tabIndex={0}
          sx={{ m: 0, p: 1, fontSize: 12, overflow: "auto", maxHeight: 320, bgcolor: "background.paper" }}
        >
          {lines.slice(0, MOST_LINES).join("\n")}
          {lines.length > MOST_LINES && "\n…"}
        </Box>
      )}
    </Apart>
  );
}
