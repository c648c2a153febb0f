import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../../api/client";
import { Apart } from "../../../kit/pieces";

type Field = Schemas["ReadingSettings"]["fields"][number];
type Values = Record<string, number>;
type Props = {
  fields: Field[];
  values: Values;
  /** What holds where nothing is given here, if that isn't the default. */
  usual: Values;
  problems: Schemas["Problems"];
  change: (values: Values) => void;
};

/** The limits of the rules; an empty field means what is usual. */
export function Limits({ fields, values, usual, problems, change }: Props) {
  return (
    <Box
      component="dl"
      sx={{ m: 0, display: "grid", gridTemplateColumns: "minmax(0, 1fr) 110px", columnGap: 2, rowGap: 0.25 }}
    >
      {fields.map((field) => {
        const problem = problems.find((one) => one.field === field.name)?.message;
        const given = values[field.name];
        return (
          <Box key={field.name} sx={{ display: "contents" }}>
            <Box
              component="dt"
              sx={{ alignSelf: "center", color: given === undefined ? "text.secondary" : "text.primary" }}
            >
              {field.meaning}
            </Box>
            <Apart component="dd" m={0}>
              <TextField
                type="number"
                size="small"
                variant="standard"
                fullWidth
                value={given ?? ""}
                placeholder={String(rounded(usual[field.name] ?? field.default))}
                error={!!problem}
                helperText={problem}
                onChange={(event) => change(withValue(values, field.name, event.target.value))}
                slotProps={{
                  htmlInput: {
                    "aria-label": field.meaning,
                    min: field.least,
                    max: field.most,
                    step: "any",
                    style: { textAlign: "right" },
                  },
                }}
              />
            </Apart>
          </Box>
        );
      })}
    </Box>
  );
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

/** The same values with one of them changed; an empty text takes it out. */
export function withValue(values: Values, name: string, text: string): Values {
  const rest = Object.fromEntries(Object.entries(values).filter(([one]) => one !== name));
  return text === "" ? rest : { ...rest, [name]: Number(text) };
}
