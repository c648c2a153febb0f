import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { SignIn } from "./account/SignIn";
import { Frame } from "./frame/Frame";
import { Failed, Loading } from "./kit/Notice";
import { useSession, useSites } from "./kit/queries";

const Setup = lazy(() => import("./stages/crawl/setup/Setup"));
const Live = lazy(() => import("./stages/crawl/live/Live"));
const TrellisScreen = lazy(() => import("./stages/read/trellis/TrellisScreen"));
const Ledger = lazy(() => import("./stages/read/ledger/Ledger"));
const Links = lazy(() => import("./stages/read/links/Links"));
const Images = lazy(() => import("./stages/read/images/Images"));
const Faults = lazy(() => import("./stages/read/faults/Faults"));
const Structure = lazy(() => import("./stages/read/structure/Structure"));
const Groups = lazy(() => import("./stages/read/groups/Groups"));
const Compare = lazy(() => import("./stages/prove/compare/Compare"));
const Intent = lazy(() => import("./stages/decide/intent/Intent"));
const Redirects = lazy(() => import("./stages/decide/routes/Redirects"));
const Languages = lazy(() => import("./stages/decide/languages/Languages"));
const Sitemaps = lazy(() => import("./stages/decide/sitemaps/Sitemaps"));
const DossierPage = lazy(() => import("./stages/read/dossier/DossierPage"));

/** The addresses of the application. Without a session there is only the sign-in. */
export function App() {
  const session = useSession();
  if (session.error) return <Failed error={session.error} retry={() => session.refetch()} />;
  if (!session.data) return <Loading what="the session" />;
  if (!session.data.user) return <SignIn firstStart={session.data.first_start} />;

  return (
    <Suspense fallback={<Loading what="the screen" />}>
      <Routes>
        <Route path="/" element={<Home />} />
        <Route path="/new" element={<Frame screen="crawl/setup">{<Setup isNew />}</Frame>} />
        <Route path="/s/:site/c/:crawl">
          <Route path="crawl/setup" element={<Frame screen="crawl/setup">{<Setup />}</Frame>} />
          <Route path="crawl/live" element={<Frame screen="crawl/live">{<Live />}</Frame>} />
          <Route path="read/trellis" element={<Frame screen="read/trellis">{<TrellisScreen />}</Frame>} />
          <Route path="read/ledger" element={<Frame screen="read/ledger">{<Ledger />}</Frame>} />
          <Route path="read/faults" element={<Frame screen="read/faults">{<Faults />}</Frame>} />
          <Route path="read/links" element={<Frame screen="read/links">{<Links />}</Frame>} />
          <Route path="read/images" element={<Frame screen="read/images">{<Images />}</Frame>} />
          <Route path="read/structure" element={<Frame screen="read/structure">{<Structure />}</Frame>} />
          <Route path="read/groups" element={<Frame screen="read/groups">{<Groups />}</Frame>} />
          <Route path="decide/intent" element={<Frame screen="decide/intent">{<Intent />}</Frame>} />
          <Route path="decide/routes" element={<Frame screen="decide/routes">{<Redirects />}</Frame>} />
          <Route path="decide/languages" element={<Frame screen="decide/languages">{<Languages />}</Frame>} />
          <Route path="decide/sitemaps" element={<Frame screen="decide/sitemaps">{<Sitemaps />}</Frame>} />
          <Route path="prove/compare" element={<Frame screen="prove/compare">{<Compare />}</Frame>} />
          <Route path="read/dossier" element={<Frame screen="read/dossier">{<DossierPage />}</Frame>} />
        </Route>
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </Suspense>
  );
}

/** The first screen: the trellis of the first site that was crawled, else the setup. */
function Home() {
  const sites = useSites();
  if (sites.error) return <Failed error={sites.error} retry={() => sites.refetch()} />;
  if (!sites.data) return <Loading what="the sites" />;
  const site = sites.data.find((one) => one.newest_crawl !== null) ?? sites.data[0];
  if (!site) return <Navigate to="/new" replace />;
  return (
    <Navigate to={`/s/${site.id}/c/latest/${site.newest_crawl === null ? "crawl/setup" : "read/trellis"}`} replace />
  );
}
