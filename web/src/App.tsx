import { lazy, Suspense, useEffect, type ReactNode } from "react";
import { BrowserRouter, Link, Route, Routes, useLocation } from "react-router";
import { SignedInAs, useSessionQuery } from "./domain/session";
import { SettingsProvider } from "./domain/settings";
import type { Session } from "./domain/types";
import { soon } from "./domain/soon";
import { useLive } from "./domain/useLive";
import { useSender } from "./domain/useOutbox";
import { say } from "./domain/words";
import { Drawn, Failed, Loading } from "./ui/States";
import { PracticeFrame } from "./ui/PracticeFrame";
import { useIdleLock } from "./ui/useIdleLock";
import { showPalette, usePalette } from "./ui/usePalette";
import { BayView } from "./workspaces/bay/BayView";
import { TraceView } from "./workspaces/trace/TraceView";

const intake = () => import("./workspaces/intake/IntakeView");
const runner = () => import("./workspaces/runner/RunnerView");
const BenchView = lazy(async () => ({ default: (await import("./workspaces/bench/BenchView")).BenchView }));
const EditorView = lazy(async () => ({ default: (await import("./workspaces/layouts/EditorView")).EditorView }));
const IntakeView = lazy(async () => ({ default: (await intake()).IntakeView }));
const LayoutsView = lazy(async () => ({ default: (await import("./workspaces/layouts/LayoutsView")).LayoutsView }));
const BleedView = lazy(async () => ({ default: (await import("./workspaces/repair/BleedView")).BleedView }));
const CardView = lazy(async () => ({ default: (await import("./workspaces/repair/CardView")).CardView }));
const ProvingView = lazy(async () => ({ default: (await import("./workspaces/repair/ProvingView")).ProvingView }));
const Palette = lazy(async () => ({ default: (await import("./ui/Palette")).Palette }));
const RunnerView = lazy(async () => ({ default: (await runner()).RunnerView }));
const WalkView = lazy(async () => ({ default: (await import("./workspaces/walk/WalkView")).WalkView }));
const WorkView = lazy(async () => ({ default: (await import("./workspaces/repair/WorkView")).WorkView }));
const CatalogueView = lazy(async () => ({
  default: (await import("./workspaces/catalogue/CatalogueView")).CatalogueView,
}));
const WorkshopView = lazy(async () => ({ default: (await import("./workspaces/workshop/WorkshopView")).WorkshopView }));

const RecordView = lazy(async () => ({ default: (await import("./workspaces/record/RecordView")).RecordView }));
const LearnedView = lazy(async () => ({ default: (await import("./workspaces/record/LearnedView")).LearnedView }));
const FrequenciesView = lazy(async () => ({
  default: (await import("./workspaces/record/FrequenciesView")).FrequenciesView,
}));
const ServerView = lazy(async () => ({ default: (await import("./workspaces/server/ServerView")).ServerView }));
const PracticeView = lazy(async () => ({ default: (await import("./workspaces/practice/PracticeView")).PracticeView }));
const ResultsView = lazy(async () => ({
  default: (await import("./workspaces/practice/ResultsView")).ResultsView,
}));
const RigView = lazy(async () => ({ default: (await import("./workspaces/practice/RigView")).RigView }));
const DebriefView = lazy(async () => ({ default: (await import("./workspaces/practice/DebriefView")).DebriefView }));
const PeopleView = lazy(async () => ({ default: (await import("./workspaces/people/PeopleView")).PeopleView }));
const SignIn = lazy(async () => ({ default: (await import("./workspaces/door/SignIn")).SignIn }));
const Welcome = lazy(async () => ({ default: (await import("./workspaces/door/Welcome")).Welcome }));

export function App() {
  const session = useSessionQuery();
  if (window.location.pathname === "/welcome" && window.location.hash !== "")
    return (
      <Suspense fallback={<Loading />}>
        <Welcome />
      </Suspense>
    );
  if (!session.data)
    return session.error ? <Failed error={session.error} again={() => void session.refetch()} /> : <Loading />;
  if (!session.data.person)
    return (
      <Suspense fallback={<Loading />}>
        <SignIn session={session.data} />
      </Suspense>
    );
  return (
    <SignedInAs key={session.data.person.id} person={session.data.person}>
      <SettingsProvider loading={<Loading />} failed={(error, again) => <Failed error={error} again={again} />}>
        <Signed session={session.data} />
      </SettingsProvider>
    </SignedInAs>
  );
}

/** One page that cannot be drawn takes no other with it. */
function Page({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return <Drawn key={pathname}>{children}</Drawn>;
}

/** A page opens at its top. */
function AtTheTop() {
  const { pathname } = useLocation();
  useEffect(() => void window.scrollTo(0, 0), [pathname]);
  return null;
}

function Signed({ session }: { session: Session }) {
  useSender();
  useLive();
  useIdleLock(session.tablet !== undefined, session.idleLockMinutes);
  useEffect(() => soon(() => void Promise.all([intake(), runner()])), []);
  return (
    <BrowserRouter>
      <AtTheTop />
      <Page>
        <Suspense fallback={<Loading />}>
          <PracticeFrame>
            <Routes>
              <Route path="/" element={<BayView />} />
              <Route path="/intake" element={<IntakeView />} />
              <Route path="/jobs/:jobId" element={<TraceView />} />
              <Route path="/jobs/:jobId/tests/:procedureId" element={<RunnerView />} />
              <Route path="/jobs/:jobId/bench" element={<BenchView />} />
              <Route path="/jobs/:jobId/walk" element={<WalkView />} />
              <Route path="/jobs/:jobId/work" element={<WorkView />} />
              <Route path="/jobs/:jobId/bleed" element={<BleedView />} />
              <Route path="/jobs/:jobId/proving" element={<ProvingView />} />
              <Route path="/jobs/:jobId/card" element={<CardView />} />
              <Route path="/bench" element={<BenchView />} />
              <Route path="/catalogue" element={<CatalogueView />} />
              <Route path="/workshop" element={<WorkshopView />} />
              <Route path="/record" element={<RecordView />} />
              <Route path="/record/learned" element={<LearnedView />} />
              <Route path="/record/frequencies" element={<FrequenciesView />} />
              <Route path="/practice" element={<PracticeView />} />
              <Route path="/practice/results" element={<ResultsView />} />
              <Route path="/practice/:exerciseId" element={<RigView />} />
              <Route path="/practice/:exerciseId/debrief" element={<DebriefView />} />
              <Route path="/server" element={<ServerView />} />
              <Route path="/people" element={<PeopleView />} />
              <Route path="/layouts" element={<LayoutsView />} />
              <Route path="/layouts/new" element={<EditorView />} />
              <Route path="*" element={<Nothing />} />
            </Routes>
          </PracticeFrame>
        </Suspense>
      </Page>
      <AnyPage />
    </BrowserRouter>
  );
}

/** What is at hand on every page. */
function AnyPage() {
  const open = usePalette();
  return (
    open && (
      <Suspense>
        <Palette onClose={() => showPalette(false)} />
      </Suspense>
    )
  );
}

function Nothing() {
  return (
    <main className="p-8">
      <h1 className="mb-4 text-2xl font-semibold">{say("notFoundTitle")}</h1>
      <Link to="/" className="underline">
        {say("notFoundBack")}
      </Link>
    </main>
  );
}
