import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { Schemas } from "../../../api/client";
import type { Owner } from "./useLanes";

type Role = Schemas["Role"];

/** What the work of each role is called. */
export const ROLES: Record<Role, string> = { developer: "Developer", editor: "Editor", auditor: "Auditor" };
const ALL = Object.keys(ROLES) as Role[];

/** Whose work somebody does: one role at least. */
export const Roles = ({ owner, change }: { owner: Owner; change: (roles: Role[]) => void }) => (
  <ToggleButtonGroup
    size="small"
    aria-label={`Roles of ${owner.name}`}
    value={owner.roles ?? ALL}
    onChange={(_, roles: Role[]) => roles.length > 0 && change(roles)}
  >
    {ALL.map((role) => (
      <ToggleButton key={role} value={role} sx={{ px: 0.75, py: 0.25, textTransform: "none" }}>
        {ROLES[role]}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
