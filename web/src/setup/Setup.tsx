import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { Field } from '../shared/Field';
import { AccessBox } from '../access/AccessBox';
import { api, ask, need, Refused, type Orchard } from '../shared/api';
import { plain } from '../shared/day';
import { light, setLight, type Light } from '../shared/dusk';
import { setSingleKeys, singleKeys } from '../shared/keys';
import { useHere } from '../shared/orchard';
import { orchardsAsked, usePeople, useSaveOrchard } from '../shared/queries';
import { Trouble, Warnings } from '../shared/Trouble';
import { HouseholdForm } from './HouseholdForm';
import { OwnTasks } from './OwnTasks';
import { newPerson, PersonForm } from './PersonForm';
import { PlaceForm } from './PlaceForm';
import { PlotForm } from './PlotForm';
import { SchoolForm } from './SchoolForm';
import { wrote } from '../shared/stale';
import { FileInput } from '../shared/FileInput';

/** Whether two documents say the same; the revision moves with anything in the orchard and says nothing here. */
function same(a: Orchard, b: Orchard): boolean {
  return JSON.stringify({ ...a, revision: 0 }) === JSON.stringify({ ...b, revision: 0 });
}

/** What was typed and not saved, by orchard: it is kept while the page is open. */
const unsaved = new Map<string, Orchard>();

const parts = ['Place', 'School', 'Household', 'Plot', 'People', 'Calendar', 'Data', 'Access', 'Screen'] as const;

/** Brings the part that an address names into sight. */
function useNamedPart() {
  const { hash } = useLocation();
  useEffect(() => {
    const part = parts.find((p) => `#${p.toLowerCase()}` === hash);
    if (part) document.querySelector(`section[aria-label="${part}"]`)?.scrollIntoView();
  }, [hash]);
}

/** Place, people, school, units, plot, calendar and data of an orchard. */
export default function Setup() {
  const { orchard, meta, units, siteDefaults } = useHere();
  useNamedPart();
  const [draft, setDraft] = useState(() => unsaved.get(orchard.slug) ?? orchard);
  const [kept] = useState(() => unsaved.has(orchard.slug));
  const [seen, setSeen] = useState(orchard);
  if (seen !== orchard) {
    // a newer document has come: an untouched draft follows it, a touched one stays on its version and may clash
    setSeen(orchard);
    if (same(draft, seen)) setDraft(orchard);
  }
  const save = useSaveOrchard(orchard.slug);
  const people = usePeople(orchard.slug);
  const [adding, setAdding] = useState(false);
  const changed = !same(draft, orchard);
  useEffect(() => {
    if (changed) unsaved.set(orchard.slug, draft);
    else unsaved.delete(orchard.slug);
  }, [changed, draft, orchard.slug]);
  const write = (o: Orchard) =>
    save.mutate(o, {
      onSuccess: (r) => {
        setDraft(r.orchard);
        setSeen(r.orchard);
      },
    });
  const clash = save.error instanceof Refused && save.error.problem.status === 409 ? save.error.problem : undefined;
  return (
    <div className="page" style={{ maxWidth: 860 }}>
      <h1>Set up</h1>
      <nav aria-label="Parts of Settings" className="chips">
        {parts.map((p) => (
          <a key={p} href={`#${p.toLowerCase()}`}>
            {p}
          </a>
        ))}
      </nav>
      <p role="status" className="sm">
        {save.isSuccess && !changed
          ? 'Saved.'
          : kept && changed
            ? 'What you typed before is kept; it is not saved yet.'
            : ''}
      </p>
      <section className="sheetbox" aria-label="Place" style={{ marginTop: 12 }}>
        <h2>Place</h2>
        <p className="q sm">
          {orchard.site
            ? `${orchard.site.name}, ${String(orchard.site.lat)}, ${String(orchard.site.lon)}; normals from: ${orchard.site_from ?? 'unknown'}`
            : 'Not set yet. Windows follow the sun and the weather of a place.'}
        </p>
        <PlaceForm
          name={orchard.name}
          site={orchard.site}
          units={units}
          act={orchard.site ? 'Change the place' : 'Take this place'}
          onSite={(site, from) => write({ ...draft, site, site_from: from })}
        />
      </section>
      <section className="sheetbox" aria-label="School">
        <h2>School</h2>
        <p className="q sm">
          Where growers differ. It decides the windows, the limit and how high you pick; any tree may depart from it.
        </p>
        <SchoolForm meta={meta} orchard={draft} siteDefaults={siteDefaults} onChange={setDraft} />
      </section>
      <section className="sheetbox" aria-label="Household">
        <h2>Household</h2>
        <p className="q sm">
          What you want of each kind in a year: it is one of the limits of thinning, never the only one.
        </p>
        <HouseholdForm meta={meta} orchard={draft} units={units} onChange={setDraft} />
      </section>
      <section className="sheetbox" aria-label="Plot">
        <h2>Name, units and plot</h2>
        <div className="form">
          <label className="sm">
            Name{' '}
            <input
              value={draft.name}
              onChange={(e) => setDraft({ ...draft, name: e.target.value })}
              style={{
                font: 'inherit',
                padding: 6,
                width: '100%',
                background: 'none',
                color: 'inherit',
                border: '1px solid var(--rule-strong)',
                borderRadius: 4,
              }}
            />
          </label>
          <div role="radiogroup" aria-label="Units" style={{ display: 'flex', gap: 16 }}>
            {(['metric', 'us'] as const).map((u) => (
              <label key={u}>
                <input
                  type="radio"
                  name="units"
                  checked={draft.units === u}
                  onChange={() => setDraft({ ...draft, units: u })}
                />{' '}
                {u === 'metric' ? 'metres, centimetres, kilos' : 'feet, inches, pounds'}
              </label>
            ))}
          </div>
        </div>
        <PlotForm key={draft.units} orchard={draft} units={draft.units} onChange={setDraft} />
      </section>
      {(changed || save.error) && (
        <div className="sheetbox" style={{ position: 'sticky', bottom: 8, borderColor: 'var(--ink)', zIndex: 5 }}>
          <Trouble
            error={save.error}
            holds={
              clash
                ? 'Both versions are kept: save yours over it, or take the one that stands.'
                : 'Nothing was changed; what you typed stays here.'
            }
          />
          <Warnings list={save.data?.warnings ?? []} />
          <div className="acts">
            <Button variant="contained" disabled={save.isPending || !changed} onClick={() => write(draft)}>
              Save the changes
            </Button>
            {clash && (
              <Button onClick={() => write({ ...draft, version: clash.current_version ?? draft.version })}>
                Save mine over it
              </Button>
            )}
            <Button
              onClick={() => {
                save.reset();
                setDraft(orchard);
              }}
            >
              Leave them
            </Button>
          </div>
        </div>
      )}
      <section className="sheetbox" aria-label="People">
        <h2>People</h2>
        <p className="q sm">Reach is a body measure: the first person’s decides the reach line.</p>
        {(people.data ?? []).map((p) => (
          <details key={p.id} style={{ borderTop: '1px solid var(--rule)', padding: '8px 0' }}>
            <summary>
              <b>{p.name}</b>
            </summary>
            <PersonForm key={p.version} slug={orchard.slug} person={p} units={units} />
          </details>
        ))}
        {adding ? (
          <PersonForm slug={orchard.slug} person={newPerson('')} units={units} onSaved={() => setAdding(false)} />
        ) : (
          <Button onClick={() => setAdding(true)}>Add someone</Button>
        )}
      </section>
      <OwnTasks />
      <CalendarBox slug={orchard.slug} />
      <DataBox orchard={orchard} />
      <AccessBox />
      <ScreenBox />
    </div>
  );
}

function CalendarBox({ slug }: { slug: string }) {
  const client = useQueryClient();
  const q = ask.useQuery('get', '/api/orchards/{slug}/calendar', { params: { path: { slug } } });
  const make = useMutation({
    mutationFn: () => need(api.POST('/api/orchards/{slug}/calendar', { params: { path: { slug } } })),
    onSuccess: () => wrote(client),
  });
  const end = useMutation({
    mutationFn: () => need(api.DELETE('/api/orchards/{slug}/calendar', { params: { path: { slug } } })),
    onSuccess: () => {
      make.reset();
      return wrote(client);
    },
  });
  const address = make.data?.address; // told once: only a proof of it is kept
  const made = q.data?.made;
  const [copied, setCopied] = useState(false);
  const copy = async (text: string) => {
    try {
      await navigator.clipboard.writeText(text);
      setCopied(true);
    } catch {
      setCopied(false); // the address stands there to be marked by hand
    }
  };
  return (
    <section className="sheetbox" aria-label="Calendar">
      <h2>Calendar</h2>
      <p className="sm q">
        One event a window, with its reasons and an alarm five days before it closes. Download it, and open it with any
        calendar; or make an address that a calendar program on this machine reads again by itself. Only this machine
        answers it: a phone takes the download.
      </p>
      {address ? (
        <p>
          <code style={{ overflowWrap: 'anywhere' }}>{address}</code>{' '}
          <button type="button" className="bordered" onClick={() => void copy(address)}>
            {copied ? 'Copied' : 'Copy'}
          </button>
          <span className="sm q">
            {' '}
            Copy it now: it is secret, who has it can read the plan, and it is not shown again.
          </span>
        </p>
      ) : (
        made && (
          <p className="sm">
            An address made on {plain(made.slice(0, 10))} {made.slice(0, 4)} is in use. It is not kept here: where it is
            lost, make a new one.
          </p>
        )
      )}
      <Trouble error={make.error ?? end.error ?? q.error} />
      <div className="acts">
        <Button variant="outlined" component="a" href={`/api/orchards/${slug}/calendar.ics`}>
          Download the calendar
        </Button>
        <Button onClick={() => make.mutate()}>{made ? 'A new address' : 'Make an address'}</Button>
        {made && <Button onClick={() => end.mutate()}>Withdraw it</Button>}
      </div>
    </section>
  );
}

function DataBox({ orchard }: { orchard: Orchard }) {
  const file = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const go = useNavigate();
  const read = useMutation({
    mutationFn: async (file: File) => need(api.POST('/api/archive', { body: JSON.parse(await file.text()) })),
    onSuccess: async (r) => {
      await wrote(client);
      if (r.slugs[0]) void go(`/${r.slugs[0]}/yard`);
    },
  });
  const [removing, setRemoving] = useState(false);
  const [typed, setTyped] = useState('');
  const remove = useMutation({
    mutationFn: () => need(api.DELETE('/api/orchards/{slug}', { params: { path: { slug: orchard.slug } } })),
    onSuccess: async () => {
      unsaved.delete(orchard.slug);
      client.setQueryData<Orchard[]>(orchardsAsked.queryKey, (all) => all?.filter((o) => o.slug !== orchard.slug));
      await go('/');
      await wrote(client);
    },
  });
  return (
    <section className="sheetbox" aria-label="Data">
      <h2>Data</h2>
      <p className="sm q">
        An archive holds the orchard with every entry ever logged. Whole copies of the database: vertumna backup and
        vertumna restore.
      </p>
      <Trouble error={read.error} holds="Nothing was added." />
      <div className="acts">
        <Button variant="outlined" component="a" href={`/api/orchards/${orchard.slug}/archive`} download>
          Export this orchard
        </Button>
        <Button onClick={() => file.current?.click()}>Import an archive</Button>
        <FileInput
          ref={file}
          accept=".json,application/json"
          aria-label="An archive to import"
          hidden
          onFile={(f) => read.mutate(f)}
        />
        <Button color="error" aria-expanded={removing} onClick={() => setRemoving(!removing)}>
          Remove this orchard
        </Button>
      </div>
      {removing && (
        <div role="group" aria-label="Remove this orchard" className="form">
          <p>
            Its trees, limb maps and journal go for good. Export it first: an archive brings all of it back. To remove
            it, write its name.
          </p>
          <Field label={`Write: ${orchard.name}`} value={typed} onChange={(e) => setTyped(e.target.value)} />
          <Trouble error={remove.error} />
          <div className="acts">
            <Button
              variant="outlined"
              color="error"
              disabled={typed.trim() !== orchard.name || remove.isPending}
              onClick={() => remove.mutate()}
            >
              Remove {orchard.name}
            </Button>
            <Button onClick={() => setRemoving(false)}>Keep it</Button>
          </div>
        </div>
      )}
    </section>
  );
}

function ScreenBox() {
  const [l, setL] = useState<Light>(light());
  const [keys, setKeys] = useState(singleKeys());
  return (
    <section className="sheetbox" aria-label="Screen">
      <h2>This screen</h2>
      <div role="radiogroup" aria-label="Light" style={{ display: 'flex', gap: 16 }}>
        {(['system', 'day', 'dusk'] as const).map((v) => (
          <label key={v}>
            <input
              type="radio"
              name="light"
              checked={l === v}
              onChange={() => {
                setLight(v);
                setL(v);
              }}
            />{' '}
            {v === 'system' ? 'as the system' : v}
          </label>
        ))}
      </div>
      <label style={{ display: 'block', marginTop: 8 }}>
        <input
          type="checkbox"
          checked={keys}
          onChange={(e) => {
            setSingleKeys(e.target.checked);
            setKeys(e.target.checked);
          }}
        />{' '}
        Single keys act (? lists them)
      </label>
    </section>
  );
}
