import Box from "@mui/material/Box";
import type { Site } from "../../../api/client";
import { useState } from "react";
import { Failed, Loading } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { FormProvider } from "./form";
import { RobotsSheet } from "./RobotsSheet";
import { SaveBar } from "./SaveBar";
import { SectionList } from "./SectionList";
import { Trial } from "./Trial";
import { useScopeTrial } from "./useScopeTrial";
import { useSetup } from "./useSetup";

/** What a site's crawls are told. */
export default function Setup() {
  const { site, loading, error } = useCurrent();
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the settings" />;
  if (!site) return <Failed error={new Error("There is no such site. Choose one at the top left.")} />;
  return <SetupForm key={site.id} site={site} />;
}

function SetupForm({ site }: { site: Site }) {
  const setup = useSetup(site);
  const [pasted, paste] = useState("");
  const trial = useScopeTrial(setup.fields, pasted, site.id);
  const typed = trial.data?.problems ?? [];
  // What was wrong when it was saved counts until it is saved again; what is wrong as it is typed is told at once, but
  // for what is still empty.
  const problem = (name: string) =>
    setup.error?.forField(name) ||
    typed.find((one) => one.field === name && setup.fields.start_urls !== "")?.message ||
    undefined;

  return (
    <FormProvider value={{ fields: setup.fields, set: setup.set, problem }}>
      <Box
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setup.crawl.mutate();
        }}
        sx={{ height: "100%", display: "grid", gridTemplateRows: "minmax(0, 1fr) auto" }}
      >
        <Title>Setup</Title>
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) minmax(300px, 400px)", minHeight: 0 }}>
          <Box sx={{ overflow: "auto", px: 2.5, py: 1.5 }}>
            <SectionList heading={site.name} problem={problem} />
          </Box>
          <Box sx={{ borderLeft: 1, borderColor: "divider", px: 2, py: 1.5, minHeight: 0, display: "grid" }}>
            <Trial
              rows={trial.data?.rows ?? []}
              patterns={trial.data?.patterns ?? []}
              known={trial.data?.known ?? 0}
              wrong={typed.length > 0 && setup.fields.start_urls !== ""}
              pasted={pasted}
              paste={paste}
            />
          </Box>
        </Box>
        <SaveBar setup={setup} site={site} />
      </Box>
      <RobotsSheet site={site} />
    </FormProvider>
  );
}
