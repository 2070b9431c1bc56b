import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Field } from '../shared/Field';
import { api, need, type Orchard } from '../shared/api';
import { useMeta, useOrchards } from '../shared/queries';
import { Trouble } from '../shared/Trouble';
import { wrote } from '../shared/stale';
import { useWhenReady } from '../shared/ready';
import { read, say, type Units } from '../shared/units';
import { blankDraft, useDraftedPlace, type Draft } from '../place/draft';
import { PlacePicker } from '../place/PlacePicker';
import { guessedPlot, PlotSides } from '../place/PlotSides';
import css from './firstrun.module.css';

const blank: Orchard = {
  id: '',
  slug: '',
  version: 0,
  revision: 0,
  name: '',
  units: 'metric',
  school: { preset: 'steady', own: {}, advice: [] },
  plot: { outline: [], features: [], north_deg: 0, row_distance_m: 0 },
};

const steps = ['Place', 'Reach', 'School', 'First tree'] as const;

/** Fingertips taken where nobody measured, cm; the program says so wherever it counts. */
const guessedFingertips = 200;

/** The first run: place and plot, reach, school, first tree. What is skipped is guessed, and says so; what was typed counts. */
export default function FirstRun() {
  const orchards = useOrchards();
  const client = useQueryClient();
  const go = useNavigate();
  const [at, setAt] = useState(0);
  const [name, setName] = useState('');
  const [draft, setDraft] = useState<Draft>(blankDraft);
  const [plot, setPlot] = useState(guessedPlot);
  const [reach, setReach] = useState('');
  const [school, setSchool] = useState('steady');
  const [units, setUnits] = useState<Units>(navigator.language === 'en-US' ? 'us' : 'metric');
  const meta = useMeta(units);
  const [unsaid, setUnsaid] = useState('');
  const heading = useRef<HTMLHeadingElement>(null);
  const called = name.trim() || 'My orchard';
  const place = useDraftedPlace(draft, called, units);
  const lies = draft.text.trim() !== '' && !place.at;

  const step = (n: number) => {
    setUnsaid('');
    setAt(n);
    requestAnimationFrame(() => heading.current?.focus());
  };
  const make = useMutation({
    mutationFn: async () => {
      const body: Orchard = {
        ...blank,
        name: called,
        units,
        school: { ...blank.school, preset: school },
        plot: { ...blank.plot, ...plot },
      };
      const shaped = place.place.data;
      if (place.at && shaped) Object.assign(body, { site: shaped.site, site_from: place.near?.site.name ?? '' });
      const res = await need(api.POST('/api/orchards', { body }));
      const { slug } = res.orchard;
      await need(
        api.POST('/api/orchards/{slug}/people', {
          params: { path: { slug } },
          body: {
            id: '',
            version: 0,
            name: 'Me',
            fingertip_cm: read(reach, 'cm', units) ?? 0,
            ceiling_cm: 0,
            hand_span_cm: 0,
            hours_a_week: [0, 0, 0, 0, 0, 0, 0],
            tools: [],
          },
        }),
      );
      return slug;
    },
    onSuccess: async (slug) => {
      await wrote(client);
      void go(place.at ? `/${slug}/yard?plant=first` : `/${slug}/yard`);
    },
  });
  const demo = useMutation({
    mutationFn: () => need(api.POST('/api/demo')),
    onSuccess: async ({ address, slug }) => {
      if (address) {
        window.location.assign(`${address}/${slug}/yard`); // a program of its own, with a file of its own
        return;
      }
      await wrote(client);
      void go(`/${slug}/yard`);
    },
  });
  const failed = place.at && !place.settled ? (place.place.error ?? place.climates.error) : null;
  const whenPlaced = useWhenReady(JSON.stringify(draft), place.settled || !!failed, () => {
    if (place.settled) make.mutate();
    else setUnsaid('The place could not be worked out. Say it anew, or empty the field, to say it later.');
  });
  /** What was typed of a place counts: a name that nobody knows is not passed over. */
  const finish = () => {
    if (lies) {
      setAt(0);
      setUnsaid('Say which town is meant, or give latitude and longitude; or empty the field, to say it later.');
      return;
    }
    whenPlaced();
  };

  return (
    <div className={`app ${css.firstrun}`}>
      <header className="header">
        <span className="wordmark">
          <span>Vertumna</span>
        </span>
        <nav className="steps" aria-label="Steps">
          {steps.map((s, i) => (
            <button key={s} type="button" aria-current={i === at ? 'step' : undefined} onClick={() => step(i)}>
              <small aria-hidden="true">{i + 1}</small> {s}
            </button>
          ))}
        </nav>
        <span className="spacer" />
        {orchards.data?.[0] ? (
          <Link className="plain hide" to={`/${orchards.data[0].slug}/yard`}>
            Back to {orchards.data[0].name}
          </Link>
        ) : null}
        <Button size="small" variant="outlined" onClick={() => demo.mutate()} disabled={demo.isPending}>
          Open the demo
        </Button>
      </header>
      <div />
      <main>
        <Trouble error={demo.error} />
        <div className="page">
          <h1 ref={heading} tabIndex={-1}>
            {['Your place', 'Your reach', 'Your school', 'Your first tree'][at]}
          </h1>
          <p className="q">
            {at === 0
              ? 'Keep every fruit within reach: what to do this week for each tree, why, until when, and what must wait. Four short steps; what you skip is guessed, and says so.'
              : `Of ${called}. What you skip is guessed, and says so.`}
          </p>
          {unsaid && (
            <p className="trouble" role="alert">
              {unsaid}
            </p>
          )}
          {at === 0 && (
            <div className={css.placeandplot}>
              <section aria-label="Place">
                <div className="pair">
                  <Field
                    label="Name of the orchard"
                    value={name}
                    onChange={(e) => setName(e.target.value)}
                    helperText="left empty: My orchard"
                  />
                  <div role="radiogroup" aria-label="Units" className={css.unitspick}>
                    {(['metric', 'us'] as const).map((u) => (
                      <label key={u}>
                        <input type="radio" name="units" checked={units === u} onChange={() => setUnits(u)} />{' '}
                        {u === 'metric' ? 'metres, °C' : 'feet and inches, °F'}
                      </label>
                    ))}
                  </div>
                </div>
                <PlacePicker draft={draft} onDraft={setDraft} name={called} units={units} />
              </section>
              <section className="sheetbox" aria-label="Plot">
                <h2>Your plot</h2>
                <PlotSides plot={plot} units={units} onPlot={setPlot} />
                <p className="sm q">Walls, hedges, paths and shade come later, on the plan itself.</p>
              </section>
            </div>
          )}
          {at === 1 && (
            <section aria-label="Reach" className="narrow">
              <Field
                label={`Fingertip height, ${units === 'us' ? 'in' : 'cm'}`}
                value={reach}
                onChange={(e) => setReach(e.target.value)}
                helperText={`arm raised, flat on your feet; left empty: ${say(guessedFingertips, 'cm', units)} is taken and marked as a guess`}
                slotProps={{ htmlInput: { inputMode: 'decimal' } }}
              />
              <p>
                Every tree is held so low that you pick it from the ground. The reach line lies a hand and a fruit below
                your fingertips; your school may move it.
              </p>
            </section>
          )}
          {at === 2 && (
            <section aria-label="School" className="narrow">
              <p>
                Good growers differ on when and how hard to cut. Take one school; any tree may depart from it later.
              </p>
              <div role="radiogroup" aria-label="School">
                {(meta.data?.presets ?? []).map((p) => (
                  <label key={p.slug} className={css.schoolpick}>
                    <input type="radio" name="school" checked={school === p.slug} onChange={() => setSchool(p.slug)} />
                    <span>
                      <b>{p.name}</b> <span className="q">{p.sentence}</span>
                    </span>
                  </label>
                ))}
              </div>
            </section>
          )}
          {at === 3 && (
            <section aria-label="First tree" className="narrow">
              <p>
                The plan opens with your plot to scale. Press where the first tree stands, say its kind and, if you know
                them, its age and height. Its year and what to do about it stand beside it at once.
              </p>
              {!place.at && (
                <p className="trouble">
                  No place was said. Windows follow the sun and the weather of a place: without one there is a plan of
                  the plot, and no docket.
                </p>
              )}
            </section>
          )}
          <Trouble error={make.error} holds="Nothing was made; what you typed stays here." />
          <div className="acts">
            {at < steps.length - 1 && (
              <Button variant="contained" size="large" onClick={() => step(at + 1)}>
                Next: {['your reach', 'your school', 'your first tree'][at]}
              </Button>
            )}
            <Button
              variant={at < steps.length - 1 ? 'outlined' : 'contained'}
              size="large"
              onClick={finish}
              disabled={make.isPending}
            >
              Make the orchard
            </Button>
            {at > 0 && <Button onClick={() => step(at - 1)}>Back</Button>}
          </div>
        </div>
      </main>
      <div />
    </div>
  );
}
