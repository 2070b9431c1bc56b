import { ThemeProvider } from '@mui/material/styles';
import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { Navigate, Route, Routes, useLocation, useParams } from 'react-router';
import { keep, kept } from './shared/browser';
import { Refused } from './shared/api';
import { screens } from './rooms';
import { useAccess } from './access/queries';
import { SignIn } from './access/SignIn';
import { useSending } from './outbox/use';
import { Frame } from './shared/Frame';
import { useDusk } from './shared/dusk';
import { Kept } from './shared/Kept';
import { HereContext, useHere, type Here } from './shared/orchard';
import { useMeta, useOrchard, useOrchards, usePlan } from './shared/queries';
import { ShownDay, useShown } from './shared/shown';
import { isAccess, refusedEntry } from './shared/stale';
import { screen } from './shared/screen';
import { makeTheme } from './shared/theme';
import { Trouble } from './shared/Trouble';
import { UndoOffer } from './shared/undo';

const HelperPage = screen(() => import('./helper/HelperPage'));
const FirstRun = screen(() => import('./firstrun/FirstRun'));

/** A question that was refused for want of a session asks who one is: the gate comes up. */
const makeClient = (): QueryClient => {
  const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({
      onError: (e, q) => {
        if (e instanceof Refused && e.problem.status === 401 && !isAccess(q.queryKey)) void refusedEntry(client);
      },
    }),
    defaultOptions: {
      queries: {
        retry: (n, e) => !(e instanceof Refused) && n < 2,
        retryDelay: 400,
        refetchOnWindowFocus: true,
        staleTime: 5_000,
        networkMode: 'always', // without a network the phone itself answers
      },
      mutations: { networkMode: 'always' },
    },
  });
  return client;
};

export function App() {
  const [client] = useState(makeClient);
  const dusk = useDusk();
  const at = useLocation().pathname;
  useEffect(() => {
    document.documentElement.dataset.theme = dusk ? 'dusk' : 'day';
  }, [dusk]);
  const theme = useMemo(() => makeTheme(dusk), [dusk]);
  return (
    <ThemeProvider theme={theme}>
      <QueryClientProvider client={client}>
        <Kept at={at} what="The page">
          <Routes>
            <Route path="/h/:token" element={<HelperPage />} />
            <Route path="*" element={<Household />} />
          </Routes>
        </Kept>
      </QueryClientProvider>
    </ThemeProvider>
  );
}

/** All that is for the household alone. */
const Household = () => (
  <Gate>
    <Routes>
      <Route path="/" element={<Start />} />
      <Route path="/new" element={<FirstRun />} />
      <Route path="/:slug/*" element={<OrchardScreens />} />
    </Routes>
  </Gate>
);

/** Lets in who is signed in; where no passphrase is set, or no network tells, everybody is. */
function Gate({ children }: { children: ReactNode }) {
  useSending();
  const access = useAccess();
  if (access.data?.guarded && access.data.role === '') return <SignIn />;
  return children;
}

/** While the program has not answered yet. */
function Opening() {
  return <p className="page q late">Opening Vertumna.</p>;
}

const lastKey = 'vertumna-last';

/** The orchard last open, the first there is, or the first run. */
function Start() {
  const all = useOrchards();
  if (all.error)
    return (
      <div className="page">
        <Trouble error={all.error} />
      </div>
    );
  if (!all.data) return <Opening />;
  const last = kept(lastKey);
  const slug = all.data.find((o) => o.slug === last)?.slug ?? all.data[0]?.slug;
  return <Navigate to={slug ? `/${slug}/yard` : '/new'} replace />;
}

function OrchardScreens() {
  const { slug = '' } = useParams();
  const at = useLocation().pathname;
  const orchard = useOrchard(slug);
  const meta = useMeta(orchard.data?.orchard.units);
  useEffect(() => {
    if (orchard.data) {
      keep(lastKey, slug);
      document.title = `${orchard.data.orchard.name} · Vertumna`;
    }
  }, [orchard.data, slug]);
  if (!(orchard.data && meta.data) && (orchard.error ?? meta.error)) {
    return (
      <div className="page">
        <h1>Vertumna</h1>
        <Trouble error={orchard.error ?? meta.error} />
        <a href="/">To the orchards</a>
      </div>
    );
  }
  if (!meta.data || !orchard.data) return <Opening />;
  const base = {
    orchard: orchard.data.orchard,
    siteDefaults: orchard.data.site_defaults,
    meta: meta.data,
    units: orchard.data.orchard.units,
  };
  return (
    <ShownDay key={slug} today={meta.data.today}>
      <Planned base={base}>
        <UndoOffer>
          <Frame>
            <Kept at={at} what="This screen">
              <Routes>
                {screens.map(({ path, Screen, placeless }) => (
                  <Route
                    key={path}
                    path={path}
                    element={
                      placeless ? (
                        <Screen />
                      ) : (
                        <NeedsPlace>
                          <Screen />
                        </NeedsPlace>
                      )
                    }
                  />
                ))}
                <Route path="*" element={<Navigate to={`/${slug}/yard`} replace />} />
              </Routes>
            </Kept>
          </Frame>
        </UndoOffer>
      </Planned>
    </ShownDay>
  );
}

/** The plan of the day shown. When no answer comes the last plan stays on the screen, and the frame says so. */
function Planned({ base, children }: { base: Omit<Here, 'plan' | 'planError'>; children: ReactNode }) {
  const { settled } = useShown();
  const hasPlace = !!base.orchard.site;
  const plan = usePlan(base.orchard.slug, hasPlace ? settled : '');
  const [kept, setKept] = useState(plan.data);
  if (plan.data && plan.data !== kept) setKept(plan.data);
  const shown = hasPlace ? (plan.data ?? kept) : undefined;
  const here = useMemo(() => ({ ...base, plan: shown, planError: plan.error }), [base, shown, plan.error]);
  return <HereContext.Provider value={here}>{children}</HereContext.Provider>;
}

/** A screen that plans cannot stand without a place: it keeps its frame with one sentence and one act. */
function NeedsPlace({ children }: { children: ReactNode }) {
  const { orchard } = useHere();
  if (orchard.site) return children;
  return (
    <div className="page">
      <h1>{orchard.name}</h1>
      <p>Windows follow the sun and the weather of a place. Say where this orchard lies.</p>
      <a href={`/${orchard.slug}/setup`}>Set up the place</a>
    </div>
  );
}
