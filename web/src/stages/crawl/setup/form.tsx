import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { createContext, type ReactNode, useContext } from "react";
import { MONO } from "../../../theme";
import type { Fields } from "./fields";
import { Columns } from "../../../kit/pieces";

type TextName = { [K in keyof Fields]: Fields[K] extends string ? K : never }[keyof Fields];
type FlagName = { [K in keyof Fields]: Fields[K] extends boolean ? K : never }[keyof Fields];
type Form = {
  fields: Fields;
  set: <K extends keyof Fields>(name: K, value: Fields[K]) => void;
  problem: (name: string) => string | undefined;
};

const FormContext = createContext<Form | null>(null);
export const FormProvider = FormContext.Provider;

/** The form that a field belongs to. */
export function useForm() {
  const form = useContext(FormContext);
  if (!form) throw new Error("A field of the setup stands outside its form. Put it inside FormProvider.");
  return form;
}

type TextProps = { name: TextName; label: string; help: ReactNode; rows?: number; secret?: boolean; settings?: string };

/** A text or a number; with rows, lines of text. What is wrong with it takes the place of its help. */
export function Text({ name, label, help, rows = 0, secret = false, settings = name }: TextProps) {
  const { fields, set, problem } = useForm();
  return (
    <TextField
      label={label}
      value={fields[name]}
      multiline={rows > 0}
      minRows={rows}
      maxRows={10}
      type={secret ? "password" : "text"}
      error={!!problem(settings)}
      helperText={problem(settings) ?? help}
      onChange={(event) => set(name, event.target.value as Fields[typeof name])}
      slotProps={{
        htmlInput: {
          spellCheck: false,
          autoComplete: secret ? "new-password" : "off",
          ...(rows > 0 ? { style: { fontFamily: MONO, fontSize: 12.5 } } : {}),
        },
      }}
    />
  );
}

/** Yes or no. */
export function Flag({ name, label, help }: { name: FlagName; label: string; help?: string }) {
  const { fields, set } = useForm();
  return (
    <FormControlLabel
      sx={{ alignItems: "start", mr: 0 }}
      control={
        <Checkbox
          size="small"
          checked={fields[name]}
          sx={{ py: 0.25 }}
          onChange={(event) => set(name, event.target.checked)}
        />
      }
      label={
        <Box component="span">
          {label}
          {help && (
            <Box component="span" sx={{ display: "block", color: "text.secondary", fontSize: 12 }}>
              {help}
            </Box>
          )}
        </Box>
      }
    />
  );
}

/** Fields side by side. */
export const InColumns = ({ children, columns = 2 }: { children: ReactNode; columns?: number }) => (
  <Columns of={`repeat(${columns}, minmax(0, 1fr))`} gap={2}>
    {children}
  </Columns>
);
