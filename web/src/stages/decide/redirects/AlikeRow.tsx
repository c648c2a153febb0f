import { Figure, Mono, Narrow, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../../api/client";
import { counted } from "../../../kit/format";
import { Answer } from "./Target";

type Props = {
  group: Schemas["Broken"]["groups"][number];
  columns: string;
  disabled: boolean;
  accept: () => void;
};

/** Many lost addresses that look alike, and the one rule that answers them. */
export function AlikeRow({ group, columns, disabled, accept }: Props) {
  return (
    <Box
      component="li"
      sx={{
        display: "grid",
        gridTemplateColumns: columns,
        columnGap: 1.5,
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
        bgcolor: "background.paper",
      }}
    >
      <span />
      <Box sx={{ gridColumn: "2 / 5", minWidth: 0 }} title={group.urls.join("\n")}>
        <strong>{counted(group.count, "address", "addresses")} that look alike:</strong>{" "}
        <Mono component="span" size={12} anywhere>
          {group.pattern}
        </Mono>
        {group.others > 0 && (
          <Quiet small>
            {counted(group.others, "other")} of this form {group.others === 1 ? "needs" : "need"} another answer: decide
            about {group.others === 1 ? "it" : "them"} first
          </Quiet>
        )}
      </Box>
      <Narrow>
        <Answer to={group.to} status={group.status} />
        <Quiet small>one rule answers them all</Quiet>
      </Narrow>
      <Figure>
        <Button disabled={disabled} onClick={accept} size="low">
          Take this rule
        </Button>
      </Figure>
    </Box>
  );
}
