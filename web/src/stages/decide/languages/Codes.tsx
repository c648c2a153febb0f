import { Inline, Columns, Mono, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useMemo, useState } from "react";
import { count } from "../../../kit/format";
import { WITH_ASIDE } from "../../../kit/layout";
import { Part } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { Sign } from "../../../kit/signs/Sign";
import { UrlText } from "../../../kit/UrlText";
import { knownCodes } from "./codes";
import type { LanguagesData } from "./types";

const MOST = 40;

/** Codes that the site uses, those that can't be used with the likely right one, and a finder of codes. */
export function Codes({ codes }: { codes: LanguagesData["codes"] }) {
  const sorted = [...codes].sort((one, other) => Number(other.reason !== null) - Number(one.reason !== null));
  return (
    <Box sx={WITH_ASIDE}>
      <Part level="h2" title="Codes in use">
        <Plain
          label="Codes in use"
          columns={[
            { name: "Code", width: 90 },
            { name: "Means", width: 170 },
            { name: "Pages", width: 60, right: true },
            { name: "What is wrong", width: 260 },
            { name: "For example" },
          ]}
        >
          {sorted.map((one) => (
            <tr key={one.code}>
              <Mono component="td">{one.code}</Mono>
              <td>{one.reason === null ? nameOf(one.code) : ""}</td>
              <td className="number">{count(one.pages)}</td>
              <Box component="td" sx={{ "&&": { whiteSpace: "normal" } }}>
                {one.reason !== null && (
                  <Inline gap={0.75} align="stretch">
                    <Sign state="weakens" />
                    <span>
                      {one.reason}
                      {one.likely && (
                        <>
                          ; probably <strong>{one.likely}</strong>
                        </>
                      )}
                    </span>
                  </Inline>
                )}
              </Box>
              <td>
                <UrlText url={one.sample} size={12} withHost />
              </td>
            </tr>
          ))}
        </Plain>
      </Part>
      <Part level="h2" title="Find a code">
        <Finder />
      </Part>
    </Box>
  );
}

function Finder() {
  const [text, setText] = useState("");
  const all = useMemo(() => knownCodes(), []);
  const asked = text.trim().toLowerCase();
  const found =
    asked === "" ? [] : all.filter((one) => one.code.toLowerCase() === asked || one.name.toLowerCase().includes(asked));
  return (
    <>
      <TextField
        label="A language or a country"
        placeholder="Norwegian"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Box component="ul" aria-label="Codes found" sx={{ listStyle: "none", m: 0, mt: 1, p: 0 }}>
        {found.slice(0, MOST).map((one) => (
          <Columns component="li" key={`${one.kind} ${one.code}`} of="48px 1fr auto" ruled py={0.25}>
            <Mono component="strong">{one.code}</Mono>
            <span>{one.name}</span>
            <Quiet component="span" small>
              {one.kind}
            </Quiet>
          </Columns>
        ))}
      </Box>
      {asked !== "" && found.length === 0 && <Quiet mt={1}>There is no language and no country of that name.</Quiet>}
    </>
  );
}

/** "pt-BR" in words, in the reader's language. */
function nameOf(code: string) {
  if (code.toLowerCase() === "x-default") return "everybody else";
  try {
    return new Intl.DisplayNames(undefined, { type: "language" }).of(code) ?? "";
  } catch {
    return "";
  }
}
