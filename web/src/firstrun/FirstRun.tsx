import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, need, type Orchard, type Site } from '../shared/api';
import { useMeta } from '../shared/queries';
import { Trouble } from '../shared/Trouble';
import { PlaceForm } from '../setup/PlaceForm';
import { wrote } from '../shared/stale';

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

/** The first run: the demo, or place, reach and school, each skippable with a named guess. */
export default function FirstRun() {
  const meta = useMeta();
  const client = useQueryClient();
  const go = useNavigate();
  const [name, setName] = useState('');
  const [place, setPlace] = useState<{ site: Site; from: string } | null>(null);
  const [reach, setReach] = useState('');
  const [school, setSchool] = useState('steady');
  const [units, setUnits] = useState<Orchard['units']>(navigator.language === 'en-US' ? 'us' : 'metric');
  const cm = Number(reach) * (units === 'us' ? 2.54 : 1);
  const make = useMutation({
    mutationFn: async () => {
      const body: Orchard = {
        ...blank,
        name: name.trim() || 'My orchard',
        units,
        school: { ...blank.school, preset: school },
      };
      if (place) Object.assign(body, { site: place.site, site_from: place.from });
      const res = await need(api.POST('/api/orchards', { body }));
      const slug = res.orchard.slug;
      await need(
        api.POST('/api/orchards/{slug}/people', {
          params: { path: { slug } },
          body: {
            id: '',
            version: 0,
            name: 'Me',
            fingertip_cm: Number.isFinite(cm) ? cm : 0,
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
      void go(`/${slug}/yard`);
    },
  });
  const demo = useMutation({
    mutationFn: () => need(api.POST('/api/demo')),
    onSuccess: async (all) => {
      await wrote(client);
      if (all[0]) void go(`/${all[0].slug}/yard`);
    },
  });
  return (
    <div className="page" style={{ maxWidth: 720, margin: '0 auto' }}>
      <h1>Vertumna</h1>
      <p>
        Keep every fruit within reach: what to do this week for each tree, why, until when, and what must wait. Start
        with your own ground, or look round the demo first.
      </p>
      <div className="acts">
        <Button variant="outlined" onClick={() => demo.mutate()} disabled={demo.isPending}>
          Open the demo
        </Button>
      </div>
      <Trouble error={demo.error} />
      <section className="sheetbox" style={{ marginTop: 16 }} aria-label="Name">
        <h2>1. A name</h2>
        <div className="form">
          <TextField
            label="Name of the orchard"
            value={name}
            onChange={(e) => setName(e.target.value)}
            helperText="left empty: My orchard"
          />
          <div role="radiogroup" aria-label="Units" style={{ display: 'flex', gap: 16 }}>
            {(['metric', 'us'] as const).map((u) => (
              <label key={u}>
                <input type="radio" name="units" checked={units === u} onChange={() => setUnits(u)} />{' '}
                {u === 'metric' ? 'metric' : 'feet and inches'}
              </label>
            ))}
          </div>
        </div>
      </section>
      <section className="sheetbox" aria-label="Place">
        <h2>2. The place</h2>
        <p className="sm q">
          {place
            ? `Taken: ${place.from}. Change it by taking another.`
            : 'Everything follows the sun and the weather here. Without it there are no windows; it can be said later.'}
        </p>
        <PlaceForm
          key={units}
          name={name.trim() || 'My orchard'}
          units={units as 'metric' | 'us'}
          act={place ? 'Take this place instead' : 'Take this place'}
          onSite={(site, from) => setPlace({ site, from })}
        />
      </section>
      <section className="sheetbox" aria-label="Reach">
        <h2>3. Your reach</h2>
        <TextField
          sx={{ mt: 1 }}
          label={`Fingertip height, ${units === 'us' ? 'in' : 'cm'}`}
          value={reach}
          onChange={(e) => setReach(e.target.value)}
          helperText="arm raised, flat on your feet; left empty: 200 cm is taken and marked as a guess"
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      </section>
      <section className="sheetbox" aria-label="School">
        <h2>4. Your school</h2>
        <div role="radiogroup" aria-label="School">
          {(meta.data?.presets ?? []).map((p) => (
            <label key={p.slug} style={{ display: 'flex', gap: 10, alignItems: 'baseline', padding: '6px 0' }}>
              <input type="radio" name="school" checked={school === p.slug} onChange={() => setSchool(p.slug)} />
              <span>
                <b>{p.name}</b> <span className="q">{p.sentence}</span>
              </span>
            </label>
          ))}
        </div>
      </section>
      <Trouble error={make.error} holds="Nothing was made; what you typed stays here." />
      <div className="acts">
        <Button variant="contained" size="large" onClick={() => make.mutate()} disabled={make.isPending}>
          Make the orchard
        </Button>
      </div>
    </div>
  );
}
