import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { SignIn } from "./account/SignIn";
import { Frame } from "./frame/Frame";
import { Failed, Loading } from "./kit/Notice";
import { useSession, useSites } from "./kit/queries";
import { SCREENS } from "./stages/screens";

const NewSite = lazy(() => import("./stages/crawl/setup/NewSite"));

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
        <Route path="/new" element={<Frame screen="crawl/setup">{<NewSite />}</Frame>} />
        <Route path="/s/:site/c/:crawl">
          {SCREENS.map(({ path, Drawn }) => (
            <Route key={path} path={path} element={<Frame screen={path}>{<Drawn />}</Frame>} />
          ))}
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
