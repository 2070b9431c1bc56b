import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { BrowserRouter } from 'react-router';
import { App } from './App';
import type { Limb } from './drawing/wood';
import type { Bar, Docket, Meta, Orchard, Plan, Site, TreeSummary } from './shared/api';
import { HereContext } from './shared/orchard';
import { makeTheme } from './shared/theme';
import type { Units } from './shared/units';

/** Small made-up data for component tests; the program's own answers are tested through Playwright. */
export const site = { slug: 'here', name: 'Here', lat: 46, lon: 14, elev_m: 300, utc_offset_min: 60 } as Site;

export const orchard: Orchard = {
  id: 'o',
  slug: 'here',
  version: 3,
  revision: 9,
  name: 'Here',
  units: 'metric',
  site,
  school: { preset: 'steady', own: {}, advice: [] },
  plot: {
    outline: [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 6 },
      { x: 0, y: 6 },
    ],
    features: [
      {
        id: 'w',
        kind: 'wall',
        name: 'North wall',
        points: [
          { x: 0, y: 6 },
          { x: 10, y: 6 },
        ],
      },
      {
        id: 's',
        kind: 'shed',
        name: 'Shed',
        points: [
          { x: 8, y: 0 },
          { x: 9, y: 0 },
          { x: 9, y: 1 },
        ],
      },
    ],
    north_deg: 0,
    row_distance_m: 0,
  },
};

export const bar = (more: Partial<Bar> = {}): Bar => ({
  id: 'b1',
  kind: 'dormant-cut',
  title: 'Dormant cut',
  short: 'winter cut',
  mark: 'winter',
  opens: '2027-02-18',
  closes: '2027-04-01',
  state: 'open',
  group: 'now',
  minutes: 60,
  cut: true,
  ...more,
});

export const tree = (more: Partial<TreeSummary> = {}): TreeSummary => ({
  id: 't1',
  code: 'A1',
  kind: 'apple',
  kind_name: 'Apple',
  name: 'North',
  form: 'open-vase',
  class: 'dwarfing',
  class_guessed: false,
  age: 6,
  aim: 'hold',
  aim_says: 'hold, by your school',
  stage: 'dormant',
  stage_says: 'dormant',
  x: 3,
  y: 3,
  height_m: 2.6,
  spread_m: 2,
  estimated: false,
  reach_m: 2.1,
  roots_m: 1.5,
  bars: [bar()],
  warnings: [],
  next: 'b1',
  account: {
    limit: 0.2,
    removed: 0.1,
    dormant: 0.1,
    summer: 0,
    left: 0.11,
    exempt: false,
    estimated: false,
    carried: [],
    says: '10 % of 20 % has gone.',
  },
  ...more,
});

/** A docket with nothing on it. */
export const docket = (more: Partial<Docket> = {}): Docket => ({
  day: '2027-02-20',
  minutes: 0,
  minutes_says: '',
  now: [],
  closing: [],
  opening: [],
  wait: [],
  missed: [],
  anytime: [],
  local_rules: 'Local rules first.',
  see: [],
  ...more,
});

export const plan = (more: Partial<Plan> = {}): Plan => ({
  day: '2027-02-20',
  today: '2027-02-20',
  season: 2027,
  from: '2026-11-01',
  to: '2027-10-31',
  south: false,
  summer_solstice: '2027-06-21',
  winter_solstice: '2026-12-21',
  spring_equinox: '2027-03-20',
  autumn_equinox: '2027-09-23',
  day_hours: 10.6,
  reach_m: 2.1,
  reach_known: true,
  reach_says: 'Your fingertips reach 2.1 m; fruit is held a hand and a fruit lower, to 1.8 m.',
  hours_a_week: 6,
  frost: [{ day: '2026-12-01', risk: 0.7 }],
  bands: [{ name: 'Dormancy', from: '2026-11-01', to: '2027-03-20' }],
  stage_says: 'Dormant',
  next_says: 'Bud swell, A1 in 26 days',
  trees: [tree()],
  orchard: [],
  local_rules: 'Local rules first.',
  set_aside: [],
  ...more,
});

export const meta: Meta = {
  hosts: [{ slug: 'juniper', name: 'junipers' }],
  today: '2027-02-20',
  demo: true,
  kinds: [
    {
      sicknesses: [{ slug: 'scab', name: 'scab' }],
      slug: 'apple',
      name: 'Apple',
      group: 'pome',
      habits: ['spreading'],
      forms: ['open-vase'],
      low_tree: 'yes',
      self_fertile: 'no',
      company: 'any apple',
      wood: 'supple',
      bearing: 'spurs',
      bearing_means: 'keep the spurs',
      stage_reading: 'bud_break = green tip',
      years_lived: 40,
      first_crop: '3 to 6',
      hours_a_year: 3,
      difficulty: 2,
      sizes: [{ class: 'dwarfing', height_m: 2.7, spread_m: 2.4, distance_m: 1.5 }],
    },
  ],
  forms: [{ slug: 'open-vase', name: 'open vase' }],
  choices: [
    {
      key: 'yearly_limit',
      name: 'Most that may go in a year',
      default: '20',
      values: [
        { slug: '20', name: '20 %', for: 'Calm.', against: 'Slow.', best: [], unfit: [] },
        { slug: '33', name: '33 %', for: 'Fast.', against: 'Hard.', best: [], unfit: ['cold'] },
      ],
    },
  ],
  presets: [
    { slug: 'steady', name: 'Steady', sentence: 'Cautious.', values: {} },
    { slug: 'low-bush', name: 'Low bush', sentence: 'Hard.', values: { yearly_limit: '33' } },
  ],
  stages: [{ slug: 'bud_swell', name: 'bud swell' }],
  tasks: [{ kind: 'dormant-cut', title: 'Dormant cut', cut: true, mark: 'winter' }],
  sources: [],
  limb_states: [{ kind: 'undecided', name: 'undecided', job: 'look again in spring' }],
  vigour_classes: ['dwarfing', 'vigorous'],
};

/** A limb as the bench draws it. */
export const drawnLimb = (id: string, stations: number[], more: Partial<Limb> = {}): Limb => ({
  id,
  depth: 1,
  stations,
  rings: [{ from_cm: 0, to_cm: 100, age: 1 }],
  attach_cm: 0,
  azimuth_deg: 0,
  angle_base_deg: 0,
  angle_tip_deg: 0,
  length_cm: 100,
  diameter_mm: 20,
  top_cm: 100,
  share: 0.5,
  light: 0.6,
  flower_buds: 0,
  source: 'measured',
  guessed: [],
  tip: 'growing',
  tags: [],
  marks: [],
  wounds: [],
  spurs: [],
  gaps: [],
  ...more,
});

export interface Sent {
  method: string;
  path: string;
  body: unknown;
}

/** Answers the program's paths with canned bodies and keeps what was sent. */
export function answer(routes: Record<string, unknown>): Sent[] {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (asked: Request | string, init?: RequestInit) => {
    const input = typeof asked === 'string' ? new Request(new URL(asked, window.location.origin), init) : asked;
    const url = new URL(input.url, 'http://localhost');
    const text = await input.text();
    sent.push({ method: input.method, path: url.pathname, body: text ? JSON.parse(text) : undefined });
    const found = routes[`${input.method} ${url.pathname}`];
    const refused = found as { status?: number } | undefined;
    if (found === undefined) return new Response('[]', { headers: { 'Content-Type': 'application/json' } });
    return new Response(JSON.stringify(found), {
      status: typeof refused?.status === 'number' ? refused.status : 200,
      headers: { 'Content-Type': 'application/json' },
    });
  });
  return sent;
}

export function refusal(field: string, given: string, expected: string, status = 422) {
  return {
    type: 'about:blank',
    title: 'Unprocessable Entity',
    status,
    detail: `${field}: ${given} given, ${expected} expected`,
    errors: [{ field, given, expected, code: 'x' }],
  };
}

/** Renders a part of a screen inside an orchard. */
export function show(ui: ReactNode, units: Units = 'metric', path = '/here/yard') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  window.history.replaceState(null, '', path);
  return render(
    <BrowserRouter>
      <ThemeProvider theme={makeTheme(false)}>
        <QueryClientProvider client={client}>
          <HereContext.Provider value={{ orchard, siteDefaults: {}, meta, units, plan: plan(), planError: null }}>
            {ui}
          </HereContext.Provider>
        </QueryClientProvider>
      </ThemeProvider>
    </BrowserRouter>,
  );
}

/** Opens the whole application at an address, over canned answers; gives what was sent. */
export function openApp(path: string, routes: Record<string, unknown>): Sent[] {
  vi.stubGlobal('matchMedia', () => ({ matches: false, addEventListener: vi.fn(), removeEventListener: vi.fn() }));
  window.history.replaceState(null, '', path);
  const sent = answer(routes);
  render(
    <BrowserRouter>
      <App />
    </BrowserRouter>,
  );
  return sent;
}
