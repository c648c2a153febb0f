import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { MONO } from "../../../theme";
import { FormProvider } from "./form";
import { SectionList } from "./SectionList";
import { useSetup } from "./useSetup";
import { Apart, Columns } from "../../../kit/pieces";

/** A new site begins with its address and one button; all else is folded, with what holds where nothing is said. */
export default function NewSite() {
  const setup = useSetup(undefined);
  const { fields, set, crawl, failure, busy } = setup;
  const problem = (name: string) => setup.error?.forField(name) || undefined;
  const wrong = problem("start_urls") ?? problem("name");
  return (
    <FormProvider value={{ fields, set, problem }}>
      <Box
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          crawl.mutate();
        }}
        sx={{ px: 2.5, py: 5, maxWidth: 860, mx: "auto" }}
      >
        <Typography variant="h1" gutterBottom>
          A new site
        </Typography>
        <Columns of="minmax(0, 1fr) auto" gap={1.5} align="start">
          <TextField
            label="Address of the site"
            placeholder="example.com"
            autoFocus
            size="medium"
            value={fields.start_urls}
            onChange={(event) => set("start_urls", event.target.value)}
            error={!!wrong}
            helperText={wrong ?? "A domain or a whole address. Of a domain, https is tried first, then http."}
            slotProps={{ htmlInput: { spellCheck: false, autoComplete: "off", style: { fontFamily: MONO } } }}
          />
          <Button
            type="submit"
            variant="contained"
            disabled={busy || fields.start_urls.trim() === ""}
            sx={{ height: 52, px: 4, fontSize: 15 }}
          >
            Crawl
          </Button>
        </Columns>
        {failure && !wrong && (
          <Alert severity="error" sx={{ mt: 1 }}>
            {failure.message}
          </Alert>
        )}
        <Apart mt={4}>
          <SectionList heading="What the crawl is told" problem={problem} />
          <Button variant="outlined" disabled={busy} onClick={() => setup.save.mutate()} sx={{ mt: 2 }}>
            Save without crawling
          </Button>
        </Apart>
      </Box>
    </FormProvider>
  );
}
