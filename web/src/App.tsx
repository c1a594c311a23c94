import { lazy, Suspense, useEffect, type ReactNode } from "react";
import { BrowserRouter, Link, Route, Routes, useLocation } from "react-router";
import { SettingsProvider, signsHere, useSettings } from "./domain/settings";
import { soon } from "./domain/soon";
import { useLive } from "./domain/useLive";
import { useSender } from "./domain/useOutbox";
import { say } from "./domain/words";
import { Button } from "./ui/Button";
import { Drawn, Failed, Loading } from "./ui/States";
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

export function App() {
  return (
    <SettingsProvider loading={<Loading />} failed={(error, again) => <Failed error={error} again={again} />}>
      <Signed />
    </SettingsProvider>
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

/** Nothing can be entered before it is known who works. */
function Signed() {
  const { personId, catalogue } = useSettings();
  useSender();
  useLive();
  useEffect(() => soon(() => void Promise.all([intake(), runner()])), []);
  if (!catalogue.staff.some((person) => person.id === personId)) return <WhoWorks />;
  return (
    <BrowserRouter>
      <AtTheTop />
      <Page>
        <Suspense fallback={<Loading />}>
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
            <Route path="/layouts" element={<LayoutsView />} />
            <Route path="/layouts/new" element={<EditorView />} />
            <Route path="*" element={<Nothing />} />
          </Routes>
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

function WhoWorks() {
  const { catalogue, set } = useSettings();
  return (
    <main className="sheet-grid grid min-h-dvh place-items-center p-6">
      <div className="w-full max-w-lg border-2 border-ink bg-panel p-6">
        <h1 className="text-3xl font-semibold">{say("who")}</h1>
        <p className="mt-1 mb-5 text-soft">{say("whoWhy")}</p>
        <div className="grid gap-3 sm:grid-cols-2">
          {catalogue.staff.filter(signsHere).map((person) => (
            <Button key={person.id} large onClick={() => set({ personId: person.id })}>
              {person.name}
              <span className="ml-2 text-base font-normal text-soft">{person.role}</span>
            </Button>
          ))}
        </div>
      </div>
    </main>
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
